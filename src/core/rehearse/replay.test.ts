import type { Rule } from '@/core/rules/table'
import { replay } from '@/core/rehearse/replay'
import { exampleResponse, machineFor } from '@/testing/examples'

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
const series = (temps: readonly number[], everyS: number) => ({
  atS: Float64Array.from(temps, (_, index) => index * everyS),
  inputs: ['temp'],
  values: [Float64Array.from(temps)],
})

test('minutes above, mean speed and changes, worked by hand', () => {
  // 20 % for 60 s, 60 % for 60 s, 100 % for 120 s (the value of a reading holds until the next).
  const { fansPct, measures } = replay(
    machineFor(exampleResponse({ rules: [ramp] })),
    series([20, 25, 30, 30, 20], 60),
    { watch: { input: 'temp', limit: 24 } },
  )
  expect(Array.from(fansPct[0]!)).toEqual([20, 60, 100, 100, 20])
  expect(measures).toMatchObject({
    hours: 240 / 3600,
    starts: 0,
    speedChanges: 3,
    meanPct: 70,
    minutesAbove: 3,
    minutesAtCeiling: 2,
    hottest: 30,
  })
})

test('starts from rest are counted', () => {
  const response = exampleResponse({ floor: { speedPct: 0, reasons: [] }, rules: [{ ...ramp, below: 'nothing' }] })
  expect(replay(machineFor(response), series([10, 22, 10, 22, 10], 600)).measures.starts).toBe(2)
})

test('an overrun ends at its time although the next reading is an hour later', () => {
  const response = exampleResponse({
    rules: [
      { id: 'b', kind: 'switch', input: 'boost', speedPct: 80, onDelayS: 0, overrun: { kind: 'fixed', holdS: 900 } },
    ],
  })
  const values = [Float64Array.of(1, 0, 0)]
  const { fansPct } = replay(machineFor(response), { atS: Float64Array.of(0, 600, 4200), inputs: ['boost'], values })
  expect(Array.from(fansPct[0]!)).toEqual([80, 80, 20])
})

test('times that do not rise are refused', () => {
  const machine = machineFor(exampleResponse())
  expect(() => replay(machine, { atS: Float64Array.of(0, 60, 60), inputs: [], values: [] })).toThrow(
    'times must rise, index 2',
  )
})
