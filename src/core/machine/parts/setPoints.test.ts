import { explain } from '@/core/machine/explain'
import type { Rule } from '@/core/rules/table'
import { linkText } from '@/core/sentences/words'
import { machineFor, plainRamp, responseTo, settledPct } from '@/testing/examples'

const HOUR = 3600
const DAY = 24 * HOUR
const mornings = { days: [0, 1, 2, 3, 4], startMin: 6 * 60, endMin: 8 * 60 }

const ramp = plainRamp({ startAt: 20, fullAt: 30, fromPct: 20, toPct: 100, setPoints: [{ ...mornings, at: 16 }] })

test.each([
  { name: 'before it', clock: 5.99 * HOUR, temp: 20, pct: 20 },
  { name: 'from its start', clock: 6 * HOUR, temp: 16, pct: 20 },
  { name: 'the width stays', clock: 7 * HOUR, temp: 26, pct: 100 },
  { name: 'half way', clock: 7 * HOUR, temp: 21, pct: 60 },
  { name: 'not at its end', clock: 8 * HOUR, temp: 21, pct: 28 },
  { name: 'not on Saturday', clock: 5 * DAY + 7 * HOUR, temp: 21, pct: 28 },
  { name: 'without a clock its own point', clock: NaN, temp: 21, pct: 28 },
])('a ramp that starts at 16 °C on working mornings: $name', ({ clock, temp, pct }) =>
  expect(settledPct(machineFor(responseTo([ramp])), { temp, clock })).toBeCloseTo(pct, 9),
)

test('where two times overlap, the point that asks more counts', () => {
  const overlapping = {
    ...ramp,
    setPoints: [
      { ...mornings, at: 18 },
      { ...mornings, at: 16 },
    ],
  }
  expect(settledPct(machineFor(responseTo([overlapping])), { temp: 16, clock: 7 * HOUR })).toBe(20)
  const heating: Rule = {
    id: 'd',
    kind: 'differential',
    input: 'temp',
    action: 'reverse',
    onAt: 18,
    offAt: 19,
    speedPct: 50,
    minOnS: 0,
    minOffS: 0,
    setPoints: [
      { ...mornings, at: 21 },
      { ...mornings, at: 20 },
    ],
  }
  expect(settledPct(machineFor(responseTo([heating])), { temp: 21, clock: 7 * HOUR })).toBe(50)
})

test('the reason has the figures the thermometer shows, not moved ones', () => {
  const machine = machineFor(responseTo([ramp]))
  const inputs = machine.inputsFrom({ temp: 15, clock: 7 * HOUR })
  const link = explain(machine, machine.settledState(inputs), inputs).chain.find(
    (candidate) => candidate.stage === 'ask' && candidate.rule !== null,
  )
  expect(link?.stage === 'ask' ? linkText(machine.response, link) : '').toBe(
    'Temp is 15.0 °C, before its start at 16.0 °C, so it asks for nothing.',
  )
})

test('day by the clock: rules speak in their mode', () => {
  const day = plainRamp({ id: 'day', fromPct: 80, toPct: 80, below: 'from', modes: ['day'] })
  const night = plainRamp({ id: 'night', fromPct: 30, toPct: 30, below: 'from', modes: ['night'] })
  const machine = machineFor(
    responseTo([day, night], { dayByWeek: [{ days: [0, 1, 2, 3, 4, 5, 6], startMin: 6 * 60, endMin: 22 * 60 }] }),
  )
  expect([5.99, 6, 21.99, 22].map((hour) => settledPct(machine, { temp: 5, clock: hour * HOUR }))).toEqual([
    30, 80, 80, 30,
  ])
})

test('the first that asks can win instead of the highest; the floor asks either way', () => {
  const rules = [
    plainRamp({ id: 'first', startAt: 20, fullAt: 30, fromPct: 20, toPct: 40 }),
    plainRamp({ id: 'second', fromPct: 70, toPct: 70, below: 'from' }),
  ]
  const speeds = (temps: readonly number[], wins: 'first' | 'highest') =>
    temps.map((temp) =>
      settledPct(machineFor(responseTo(rules, { wins, floor: { speedPct: 30, reasons: [] } })), { temp }),
    )
  expect(speeds([10, 20, 30], 'first')).toEqual([70, 30, 40])
  expect(speeds([10, 20, 30], 'highest')).toEqual([70, 70, 70])
})
