import { bestIn, differences } from '@/core/rehearse/compare'
import { measure, measureContext, type Measure } from '@/core/rehearse/measures'
import { makeStage, rehearse } from '@/core/rehearse/run'
import type { Trace } from '@/core/rehearse/trace'
import { differencesText, measureName, measureValue, momentText, spanText } from '@/core/rehearse/words'
import type { MeasureId } from '@/core/scenario/measureIds'
import { builtInScenarios } from '@/core/scenario/builtIn'
import { spaceOf } from '@/core/space/starting'
import { demoInstallation, machineFor } from '@/testing/examples'

const installation = demoInstallation('fruiting-room')
const machine = machineFor(installation.response)
const [mild] = builtInScenarios({ duty: 'grow-room', probe: 'roomTemp', fan: 'exhaust' }, 1)
const stage = makeStage(installation, spaceOf(installation), mild!, 600)

/** A day of ten-minute rows with these columns, everything else still. */
function trace(parts: {
  airC?: number[]
  rhPct?: number[]
  lead?: number[]
  outLs?: number[]
  inLs?: number[]
  soundDb?: number[]
  powerW?: number[]
}): Trace {
  const base = rehearse(stage, machine)
  const fill = (values: number[] | undefined, otherwise: number) =>
    Float64Array.from({ length: base.steps }, (_, row) => values?.[row] ?? otherwise)
  const reads = base.readNames.map((name) =>
    name === 'airC' ? fill(parts.airC, 16) : name === 'rhPct' ? fill(parts.rhPct, 91) : new Float64Array(base.steps),
  )
  return {
    ...base,
    reads,
    fansPct: [fill(parts.lead, 50), fill(parts.lead, 40)],
    outLs: fill(parts.outLs, 80),
    inLs: fill(parts.inLs, 60),
    soundDb: fill(parts.soundDb, 30),
    powerW: fill(parts.powerW, 20),
  }
}
const of = (made: Trace, id: MeasureId): Measure =>
  measure(made, measureContext(stage, machine.response)).find((one) => one.id === id)!

// By hand: band 15–18, limit 20, required 38 l/s always, rows of 600 s.
test.each<{
  id: MeasureId
  parts: Parameters<typeof trace>[0]
  value: number
  verdict: string
  atS: number | null
  sum?: number
}>([
  { id: 'hottest', parts: { airC: [16, 19, 21, 17] }, value: 21, verdict: 'fail', atS: 1800 },
  { id: 'past-limit', parts: { airC: [16, 21, 22, 20] }, value: 1200, verdict: 'fail', atS: 1800, sum: 0.5 },
  { id: 'past-limit', parts: { airC: [20, 20] }, value: 0, verdict: 'pass', atS: null, sum: 0 },
  { id: 'above-band', parts: { airC: [18.6, 18] }, value: 600, verdict: 'none', atS: 600, sum: 0.1 },
  { id: 'below-damp', parts: { rhPct: [80, 85, 95] }, value: 1200, verdict: 'none', atS: 600, sum: 11 / 6 },
  { id: 'short-of-air', parts: { outLs: [38, 37, 0] }, value: 1200, verdict: 'fail', atS: 1200 },
  { id: 'lowest-flow', parts: { outLs: [0, 41, 39] }, value: 39, verdict: 'none', atS: 1800 },
  { id: 'suction-lost', parts: { inLs: [60, 90, 90] }, value: 1200, verdict: 'wear', atS: 1200 },
  { id: 'without-air', parts: { lead: [50, 0, 0, 0, 50, 0] }, value: 1800, verdict: 'none', atS: 600 },
  {
    id: 'limit-after',
    parts: { airC: [19, 19, 19.5, 20.5, 21, 19], lead: [50, 0, 0, 0, 0, 50] },
    value: 1200,
    verdict: 'none',
    atS: 2400,
  },
  { id: 'starts', parts: { lead: [50, 0, 50, 0, 50, 0, 50] }, value: 3, verdict: 'none', atS: 1800 },
  { id: 'changes', parts: { lead: [50, 55, 50, 55] }, value: 4, verdict: 'none', atS: 1200 },
  { id: 'energy', parts: { powerW: new Array<number>(144).fill(50) }, value: 1.2, verdict: 'none', atS: null },
])('$id is $value', ({ id, parts, value, verdict, atS, sum }) => {
  const found = of(trace(parts), id)
  expect(found.value).toBeCloseTo(value, 9)
  expect(found.verdict).toBe(verdict)
  expect(found.atS).toBe(atS)
  if (sum !== undefined) expect(found.sum).toBeCloseTo(sum, 9)
})

test('the mean of the nights is by energy: an hour 10 dB louder of eight counts', () => {
  const soundDb = Array.from({ length: 144 }, (_, row) => (row < 6 ? 40 : 30))
  expect(of(trace({ soundDb }), 'night-sound').value).toBeCloseTo(10 * Math.log10((10 ** 4 + 7 * 10 ** 3) / 8), 9)
})

test('only what is asked is measured', () => {
  const only = new Set<MeasureId>(['energy'])
  const found = measure(trace({}), { ...measureContext(stage, machine.response), only })
  expect(found.map(({ id }) => id)).toEqual(['energy', 'heat-out', 'heating'])
})

const measures = (values: Partial<Record<MeasureId, number>>): Measure[] =>
  measure(trace({}), measureContext(stage, machine.response)).map((one) => ({
    ...one,
    value: values[one.id] ?? one.value,
  }))

test('a difference is said as gains and costs, the weightiest first; what nobody notices is not said', () => {
  const b = measures({ 'night-sound': 40.9, changes: 63, 'above-band': 42 * 3600, energy: 3.7 })
  const d = measures({ 'night-sound': 39.2, changes: 5, 'above-band': 46.9 * 3600, energy: 3.71 })
  expect(differencesText(['D', 'B'], differences(d, b))).toBe(
    'D against B: 58 fewer speed changes in its worst hour and 1.7 dB quieter at night, for 4 h 54 longer above the band.',
  )
  expect(differencesText(['B', 'B'], differences(b, b))).toBe('B and B come to the same in everything that counts.')
})

test('the best is marked only among what this controller can do, and not where all are alike', () => {
  const at = (energy: number, isPossible: boolean) => ({ measures: measures({ energy }), isPossible })
  expect(bestIn('energy', [at(1, false), at(3, true), at(2, true)])).toEqual([2])
  expect(bestIn('energy', [at(3, true), at(3, true)])).toEqual([])
  expect(bestIn('coldest', [at(1, true), at(2, true)])).toEqual([])
})

test.each([
  [0, '0 min'],
  [20, 'under 1 min'],
  [41 * 60, '41 min'],
  [42 * 3600 + 43 * 60, '42 h 43'],
])('%p s is said as %s', (seconds, text) => expect(spanText(seconds)).toBe(text))

test('a moment is a day of the week and a clock', () => {
  expect(momentText('2026-07-06', 0)).toBe('Mon 00:00')
  expect(momentText('2026-07-06', 86400 + 15 * 3600 + 600)).toBe('Tue 15:10')
})

test('every measure has a name and a figure', () => {
  for (const one of measure(trace({}), measureContext(stage, machine.response))) {
    expect(measureName(one)).toMatch(/^[A-Z]/)
    expect(measureValue(one)).not.toMatch(/NaN|undefined/)
  }
})
