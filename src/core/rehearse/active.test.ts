import { activeShares, spells } from '@/core/rehearse/active'
import { replay } from '@/core/rehearse/replay'
import { exampleResponse, machineFor } from '@/testing/examples'

const machine = machineFor({
  ...exampleResponse({
    rules: [
      { id: 'b', kind: 'switch', input: 'boost', speedPct: 80, onDelayS: 0, overrun: { kind: 'none' } },
      { id: 'r', kind: 'ramp', input: 'temp', startAt: 20, fullAt: 30, fromPct: 20, toPct: 70, below: 'nothing' },
    ],
  }),
  finalRunOn: { holdS: 100, speedPct: 50 },
})
const played = (temps: readonly number[], boosts: readonly number[]) =>
  spells(
    replay(machine, {
      atS: Float64Array.from(temps, (_, index) => index * 60),
      inputs: ['temp', 'boost'],
      values: [Float64Array.from(temps), Float64Array.from(boosts)],
    }),
  )

test('who decides, from when to when', () => {
  expect(played([10, 25, 25, 25, 10, 10, 10, 10], [0, 0, 1, 0, 0, 0, 0, 0])).toEqual([
    { active: { kind: 'floor' }, fromS: 0, toS: 60 },
    { active: { kind: 'rule', index: 1 }, fromS: 60, toS: 120 },
    { active: { kind: 'rule', index: 0 }, fromS: 120, toS: 180 },
    { active: { kind: 'rule', index: 1 }, fromS: 180, toS: 240 },
    // A hundred seconds from the moment nothing asks.
    { active: { kind: 'run-on' }, fromS: 240, toS: 360 },
    { active: { kind: 'floor' }, fromS: 360, toS: 420 },
  ])
})

test('what holds the fan comes before who asks', () => {
  const held = machineFor({
    ...exampleResponse({ rules: [] }),
    overrides: { test: { input: 'boost', speedPct: 90 } },
  })
  const { inCharge, heldBy, ...rest } = replay(held, {
    atS: Float64Array.of(0, 60, 120),
    inputs: ['boost'],
    values: [Float64Array.of(0, 1, 0)],
  })
  expect(spells({ inCharge, heldBy, ...rest })).toEqual([
    { active: { kind: 'floor' }, fromS: 0, toS: 60 },
    { active: { kind: 'held', by: 'test' }, fromS: 60, toS: 120 },
  ])
})

test('shares of the time, the longest first', () => {
  expect(
    activeShares(played([25, 25, 25, 25, 10], [0, 1, 0, 0, 0])).map(({ active, share }) => [active, share]),
  ).toEqual([
    [{ kind: 'rule', index: 1 }, 0.75],
    [{ kind: 'rule', index: 0 }, 0.25],
  ])
  expect(activeShares([])).toEqual([])
})
