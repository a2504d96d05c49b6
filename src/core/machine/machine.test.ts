import fc from 'fast-check'
import { checkResponse } from '@/core/machine/check'
import { compile } from '@/core/machine/compile'
import { explain } from '@/core/machine/explain'
import { followerPct } from '@/core/machine/follower'
import { LIMITED_PCT } from '@/core/machine/state'
import { toStep } from '@/core/machine/steps'
import type { Response } from '@/core/response/schema'
import type { Rule } from '@/core/rules/table'
import { reasonText } from '@/core/sentences/words'
import { exampleResponse, machineFor, settledPct } from '@/testing/examples'
import { referencePoints } from '@/testing/reference'

const ramp: Rule = {
  id: 'r',
  kind: 'ramp',
  input: 'temp',
  startAt: 20,
  fullAt: 30,
  fromPct: 20,
  toPct: 100,
  below: 'from',
}
const boost: Rule = { id: 'b', kind: 'switch', input: 'boost', speedPct: 70, onDelayS: 0, overrun: { kind: 'none' } }

describe('the highest ask wins, and the floor always asks', () => {
  test.each([
    { temp: 10, on: 0, pct: 20, inCharge: null },
    { temp: 25, on: 0, pct: 60, inCharge: 'r' },
    { temp: 25, on: 1, pct: 70, inCharge: 'b' },
    { temp: 29, on: 1, pct: 90, inCharge: 'r' }, // 92 asked, ceiling 90
    { temp: NaN, on: 0, pct: 20, inCharge: null },
  ])('$temp °C, switch $on → $pct %, in charge: $inCharge', ({ temp, on, pct, inCharge }) => {
    const machine = machineFor(exampleResponse({ ceiling: { speedPct: 90, how: 'clip' }, rules: [ramp, boost] }))
    const inputs = machine.inputsFrom({ temp, boost: on })
    const state = machine.settledState(inputs)
    const explanation = explain(machine, state, inputs)
    expect(state.fansPct[0]).toBe(pct)
    expect(explanation.inCharge?.id ?? null).toBe(inCharge)
  })
})

test('the reason is a sentence a technician would say', () => {
  const machine = machineFor(
    exampleResponse({
      ceiling: { speedPct: 90, how: 'clip' },
      rules: [ramp, boost],
      steps: { stepPct: 5, rounding: 'up' },
    }),
  )
  const wording = (values: Record<string, number>) => {
    const inputs = machine.inputsFrom(values)
    return reasonText(machine.response, explain(machine, machine.settledState(inputs), inputs))
  }
  expect(wording({ temp: 22.3 })).toBe(
    'Room temperature is 2.3 K up a 10.0 K ramp, so it asks for 38.4 %. Nothing else is asking. Steps of 5 % give 40 %.',
  )
  expect(wording({ temp: 22.3, boost: 1 })).toBe(
    'Boost switch is on, so it asks for 70 %. Room temperature ramp asks for less.',
  )
  expect(wording({ temp: 30 })).toBe(
    'Room temperature is 30.0 °C, at or past full at 30.0 °C, so it asks for 100 %. Nothing else is asking. The ceiling holds it to 90 %.',
  )
  expect(wording({ temp: 5 })).toBe('Nothing asks for more than the floor, 20 %.')
})

test.each(
  referencePoints('ctl.kickStart').map(({ in: i, out }) => ({
    holdS: i.K_s as number,
    kickPct: i.kick_pct as number,
    set: i.setpoint as number[],
    out: out.out as number[],
  })),
)('start kick $kickPct % for $holdS steps', ({ holdS, kickPct, set, out }) => {
  // A switch for each speed makes the machine follow any list of set values; floor 0 lets it rest.
  const speeds = [...new Set(set)].filter((pct) => pct > 0)
  const response: Response = exampleResponse({
    inputs: speeds.map((pct) => ({ id: `s${pct}`, kind: 'switch', name: `${pct}` })),
    floor: { speedPct: 0, reasons: [] },
    rules: speeds.map((speedPct) => ({
      id: `r${speedPct}`,
      kind: 'switch',
      input: `s${speedPct}`,
      speedPct,
      onDelayS: 0,
      overrun: { kind: 'none' },
    })),
    startKick: { speedPct: kickPct, holdS },
  })
  const machine = machineFor(response)
  const state = machine.newState()
  const given = set.map((pct, index) => {
    machine.step(state, machine.inputsFrom(pct > 0 ? { [`s${pct}`]: 1 } : {}), index === 0 ? 0 : 1)
    return state.fansPct[0]
  })
  expect(given).toEqual(out)
})

test.each(
  referencePoints('ctl.follower').map(({ in: i, out }) => ({
    lead: i.leader_pct as number,
    ratio: i.ratio as number,
    min: i.min_pct as number,
    pct: out.pct as number,
  })),
)('lead $lead % × $ratio, own floor $min → $pct %', ({ lead, ratio, min, pct }) =>
  expect(
    followerPct({ fan: 'f', ratio, floorPct: min, atLeadFloor: 'follow' }, lead, 5, {
      stepPct: 0,
      rounding: 'nearest',
    }),
  ).toBeCloseTo(pct, 9),
)

test.each([
  { atLeadFloor: 'follow', pct: 16 },
  { atLeadFloor: 'floor', pct: 12 },
  { atLeadFloor: 'off', pct: 0 },
] as const)('at the lead’s floor: $atLeadFloor → $pct %', ({ atLeadFloor, pct }) =>
  expect(
    followerPct({ fan: 'f', ratio: 0.8, floorPct: 12, atLeadFloor }, 20, 20, { stepPct: 0, rounding: 'nearest' }),
  ).toBe(pct),
)

describe('steps', () => {
  test.each(
    referencePoints('sig.quantise').map(({ in: i, out }) => ({
      pct: i.pct as number,
      levels: i.levels as number,
      nearest: out.level_nearest_half_up as number,
      floor: out.level_floor as number,
      ceil: out.level_ceil as number,
    })),
  )('$pct % on $levels levels → $floor, $nearest, $ceil', ({ pct, levels, nearest, floor, ceil }) => {
    const stepPct = 100 / levels
    expect(toStep({ stepPct, rounding: 'nearest' }, pct) / stepPct).toBeCloseTo(nearest, 6)
    expect(toStep({ stepPct, rounding: 'down' }, pct) / stepPct).toBeCloseTo(floor, 6)
    expect(toStep({ stepPct, rounding: 'up' }, pct) / stepPct).toBeCloseTo(ceil, 6)
  })
  test.each([1, 5, 12.5, 25, 100 / 3, 30])('steps of %d %% reach 0 and 100', (stepPct) => {
    for (const rounding of ['nearest', 'up', 'down'] as const)
      expect([toStep({ stepPct, rounding }, 0), toStep({ stepPct, rounding }, 100)]).toEqual([0, 100])
  })
})

describe('what contradicts itself is refused, all at once, by path', () => {
  test.each([
    { name: 'span 0', response: exampleResponse({ rules: [{ ...ramp, fullAt: 20 }] }), paths: ['rules.0.fullAt'] },
    {
      name: 'floor above ceiling',
      response: exampleResponse({ floor: { speedPct: 60, reasons: [] }, ceiling: { speedPct: 50, how: 'clip' } }),
      paths: ['floor.speedPct'],
    },
    {
      name: 'unknown input',
      response: exampleResponse({ rules: [{ ...ramp, input: 'nowhere' }] }),
      paths: ['rules.0.input'],
    },
    {
      name: 'a ramp on a switch',
      response: exampleResponse({ rules: [{ ...ramp, input: 'boost' }] }),
      paths: ['rules.0.input'],
    },
    { name: 'two rules of one name', response: exampleResponse({ rules: [ramp, ramp] }), paths: ['rules.1.id'] },
    {
      name: 'a fan that follows itself',
      response: exampleResponse({ followers: [{ fan: 'fan', ratio: 1, floorPct: 0, atLeadFloor: 'follow' }] }),
      paths: ['followers.0.fan'],
    },
    {
      name: 'least overrun above the longest',
      response: exampleResponse({
        rules: [{ ...boost, overrun: { kind: 'matched', factor: 1, floorS: 60, capS: 30 } }],
      }),
      paths: ['rules.0.overrun'],
    },
    {
      name: 'several',
      response: exampleResponse({
        floor: { speedPct: 60, reasons: [] },
        ceiling: { speedPct: 50, how: 'clip' },
        rules: [{ ...ramp, fullAt: 20 }],
      }),
      paths: ['floor.speedPct', 'rules.0.fullAt'],
    },
  ])('$name', ({ response, paths }) => {
    const outcome = compile(response)
    expect(outcome.ok ? [] : outcome.problems.map(({ path }) => path)).toEqual(paths)
  })
})

const pct = fc.integer({ min: 0, max: 100 })
const anyRule: fc.Arbitrary<Rule> = fc.oneof(
  fc.record({
    id: fc.constant('x'),
    kind: fc.constant('ramp' as const),
    input: fc.constant('temp'),
    startAt: fc.integer({ min: 0, max: 25 }),
    fullAt: fc.integer({ min: 26, max: 50 }),
    fromPct: pct,
    toPct: pct,
    below: fc.constantFrom('from' as const, 'nothing' as const),
  }),
  fc.record({
    id: fc.constant('x'),
    kind: fc.constant('switch' as const),
    input: fc.constant('boost'),
    speedPct: pct,
    onDelayS: fc.integer({ min: 0, max: 60 }),
    overrun: fc.constantFrom(
      { kind: 'none' as const },
      { kind: 'fixed' as const, holdS: 40 },
      { kind: 'matched' as const, factor: 1, floorS: 5, capS: 90 },
    ),
  }),
)
const anyResponse = fc
  .record({
    rules: fc.array(anyRule, { maxLength: 6 }),
    low: pct,
    high: pct,
    how: fc.constantFrom('clip' as const, 'rescale' as const),
    stepPct: fc.constantFrom(0, 1, 5, 12.5, 25),
  })
  .map(({ rules, low, high, how, stepPct }) =>
    exampleResponse({
      rules: rules.map((rule, index) => ({ ...rule, id: `r${index}` })),
      floor: { speedPct: Math.min(low, high), reasons: [] },
      ceiling: { speedPct: Math.max(low, high), how },
      steps: { stepPct, rounding: 'nearest' },
    }),
  )
  // What its bounds leave no speed for is refused.
  .filter((response) => checkResponse(response).length === 0)
const anySeries = fc.array(
  fc.record({
    temp: fc.double({ min: -10, max: 60 }),
    boost: fc.constantFrom(0, 1),
    dtS: fc.integer({ min: 0, max: 120 }),
  }),
  { maxLength: 40 },
)

test('speed stays between floor and ceiling, on a step, whatever happens', () => {
  fc.assert(
    fc.property(anyResponse, anySeries, (response, series) => {
      const machine = machineFor(response)
      const state = machine.newState()
      for (const { temp, boost: on, dtS } of series) {
        machine.step(state, machine.inputsFrom({ temp, boost: on }), dtS)
        const [given] = state.fansPct
        expect(given).toBeGreaterThanOrEqual(response.floor.speedPct)
        expect(given).toBeLessThanOrEqual(response.ceiling.speedPct)
        expect(toStep(response.steps, given!)).toBeCloseTo(given!, 9)
        expect(state.figures[LIMITED_PCT]!).toBeGreaterThanOrEqual(
          Math.min(response.floor.speedPct, response.ceiling.speedPct),
        )
        expect(state.figures[LIMITED_PCT]!).toBeLessThanOrEqual(response.ceiling.speedPct)
      }
    }),
    { seed: 3 },
  )
})

test('the same inputs give the same speeds', () => {
  fc.assert(
    fc.property(anyResponse, anySeries, (response, series) => {
      const run = () => {
        const machine = machineFor(response)
        const state = machine.newState()
        return series.map(({ temp, boost: on, dtS }) => {
          machine.step(state, machine.inputsFrom({ temp, boost: on }), dtS)
          return state.fansPct[0]
        })
      }
      expect(run()).toEqual(run())
    }),
    { seed: 4 },
  )
})

test('a rule that is switched off is kept and does nothing', () =>
  expect(settledPct(machineFor(exampleResponse({ rules: [{ ...ramp, off: true }] })), { temp: 40 })).toBe(20))
