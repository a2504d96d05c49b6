import { normal, seededRandom } from '@/core/json/seededRandom'
import { learn, type LearnReadings } from '@/core/learn/learn'
import { learnReadings } from '@/core/learn/fromTable'
import { leastSquares } from '@/core/learn/leastSquares'
import { DRIVE, DRIVE_RANGES, DRIVES, FLOW, FLOWS, READ, READS } from '@/core/space/model'
import { fanTable, tableAt } from '@/core/space/fanTables'
import { primaryReads } from '@/core/space/primary'
import { spaceOf } from '@/core/space/starting'
import type { Serves, Space } from '@/core/space/schema'
import { makeSpace } from '@/core/space/table'
import { problemLine } from '@/core/words/problems'
import { demoInstallation } from '@/testing/examples'

// NIST StRD, Misra1a (lower level of difficulty): y = b1 (1 − exp(−b2 x)); certified values and standard deviations, from memory.
const MISRA1A: readonly (readonly [y: number, x: number])[] = [
  [10.07, 77.6],
  [14.73, 114.9],
  [17.94, 141.1],
  [23.93, 190.8],
  [29.61, 239.9],
  [35.18, 289.0],
  [40.02, 332.8],
  [44.82, 378.4],
  [50.76, 434.8],
  [55.05, 477.3],
  [61.01, 536.8],
  [66.4, 593.1],
  [75.47, 689.1],
  [81.78, 760.0],
]
test('a known problem: NIST Misra1a, from both of its starts', () => {
  for (const start of [
    [500, 0.0001],
    [250, 0.0005],
  ]) {
    const fitted = leastSquares(
      ([b1, b2]) => Float64Array.from(MISRA1A, ([y, x]) => b1! * (1 - Math.exp(-b2! * x)) - y),
      start,
      [
        [1, 1000],
        [1e-6, 0.01],
      ],
    )!
    expect(fitted.parameters[0]! / 238.94212918).toBeCloseTo(1, 4)
    expect(fitted.parameters[1]! / 5.5015643181e-4).toBeCloseTo(1, 4)
    expect(fitted.sigma / 0.1018787633).toBeCloseTo(1, 3)
    expect(Math.sqrt(fitted.covariance[0]![0]!) / 2.7070075241).toBeCloseTo(1, 2)
  }
})

test('a bound is never left, and figures that nothing tells apart are no answer', () => {
  const held = leastSquares(([x]) => Float64Array.of(x! - 5, x! - 5.1), [1], [[0, 2]])!
  expect(held.parameters[0]).toBe(2)
  expect(
    leastSquares(
      ([a, b]) => Float64Array.from({ length: 9 }, (_, k) => a! + b! - k),
      [1, 1],
      [
        [0, 9],
        [0, 9],
      ],
    ),
  ).toBeNull()
  expect(leastSquares(() => Float64Array.of(NaN), [1], [[0, 2]])).toBeNull()
})

const installation = demoInstallation('kiln-room')
const start = spaceOf(installation)

/** Readings that a space of these figures would give, with noise: a fan that steps, weather that swings. */
function made(
  space: Space,
  truth: Serves,
  seed: number,
  hours = 40,
  noiseK = 0.1,
  withHumidity = false,
): LearnReadings {
  const random = seededRandom(seed)
  const everyS = 600
  const atS = Float64Array.from({ length: (hours * 3600) / everyS }, (_, index) => index * everyS)
  const outdoorC = Float64Array.from(atS, (s) => 12 + 6 * Math.sin((s / 86400) * 2 * Math.PI) + 2 * Math.sin(s / 9000))
  const pct = Float64Array.from(atS, (_, index) => (Math.floor(index / 18) % 3) * 40 + 20)
  const table = fanTable(space.fans[0]!, installation)
  const running = makeSpace(truth, { outputIds: [] })
  const row = Float64Array.from(DRIVES, (drive) => DRIVE_RANGES[drive].rest)
  const flows = new Float64Array(FLOWS.length)
  const reads = new Float64Array(READS.length)
  const [primary] = primaryReads(space)
  const state = running.start(row)
  running.begin(state, 24, 21, 55)
  let shown = 24
  const readC = new Float64Array(atS.length)
  const readRhPct = new Float64Array(atS.length).fill(55)
  for (let index = 0; index < atS.length; index++) {
    readC[index] = shown + noiseK * normal(random)
    if (index > 0) readRhPct[index] = reads[READ.rhPct]! + 0.5 * normal(random)
    row[DRIVE.outdoorC] = outdoorC[index]!
    row[DRIVE.load] = 1
    flows[FLOW.outLs] = tableAt(table.flowLs, pct[index]!)
    running.step(state, row, flows, new Uint8Array(0), everyS, reads)
    const keeps = Math.exp(-everyS / (space.probes[0]?.lagS ?? 1e-9))
    const x = reads[READ[primary!]]!
    shown = space.probes[0] ? x + (shown - x) * keeps : x
  }
  return {
    atS,
    readC,
    ...(withHumidity ? { readRhPct } : {}),
    drives: { outdoorC, load: new Float64Array(atS.length).fill(1) },
    fansPct: [pct],
  }
}

const truthOf = (serves: Serves): Serves =>
  ({ ...serves, fabricKjK: 3600, fabricWK: 190, lossWK: 18, heatW: 4100 }) as Serves

test('figures lie within their stated range in at least 95 of 100 of 200 seeds', () => {
  const truth = truthOf(start.serves) as unknown as Record<string, number>
  let [within, all] = [0, 0]
  for (let seed = 1; seed <= 200; seed++) {
    const learnt = learn(start, installation, made(start, truthOf(start.serves), seed, 24))
    if (!learnt.ok) throw new Error(problemLine(learnt.problems[0]!))
    for (const { key, low, high } of learnt.value.figures) {
      all++
      if (truth[key]! >= low && truth[key]! <= high) within++
    }
  }
  expect(all).toBe(800)
  expect(within / all).toBeGreaterThanOrEqual(0.95)
})

test('what is learnt predicts the last third as well as it fits the first two', () => {
  const learnt = learn(start, installation, made(start, truthOf(start.serves), 3))
  if (!learnt.ok) throw new Error('refused')
  const { fittedK, predictedK, fittedRows, madeC, figures, space } = learnt.value
  expect(fittedK).toBeLessThan(0.13)
  expect(predictedK).toBeLessThan(0.2)
  expect(fittedRows).toBe(Math.round((madeC.length * 2) / 3))
  expect(figures.every(({ isTold }) => isTold)).toBe(true)
  expect((space.serves as unknown as { heatW: number }).heatW / 4100).toBeCloseTo(1, 1)
})

test('where humidity was read, the water given off is learnt with it', () => {
  const wet = { ...start.serves, waterGH: 900, bufferKg: 500 } as Serves
  const learnt = learn(start, installation, made(start, wet, 5, 40, 0.1, true))
  if (!learnt.ok) throw new Error('refused')
  const water = learnt.value.figures.find(({ key }) => key === 'waterGH')!
  expect(water.isTold).toBe(true)
  expect(water.low).toBeLessThan(900)
  expect(water.high).toBeGreaterThan(900)
})

test.each([
  {
    why: 'too short',
    change: (r: LearnReadings) => ({ ...r, atS: r.atS.slice(0, 20), readC: r.readC.slice(0, 20) }),
    says: /last 3\.2 hours/,
  },
  {
    why: 'never above its floor',
    change: (r: LearnReadings) => ({ ...r, fansPct: [r.fansPct[0]!.map(() => 20)] }),
    says: /one speed throughout, never above its floor/,
  },
  {
    why: 'nothing changed',
    change: (r: LearnReadings) => ({
      ...r,
      fansPct: [r.fansPct[0]!.map(() => 20)],
      drives: { ...r.drives, outdoorC: r.readC.map(() => 12) },
    }),
    says: /Neither the fan nor the air outside changed/,
  },
])('a file that cannot tell says so: $why', ({ change, says }) => {
  const outcome = learn(start, installation, change(made(start, start.serves, 1)))
  expect(outcome.ok ? '' : problemLine(outcome.problems[0]!)).toMatch(says)
})

test('a readings file becomes what is learnt from: its columns by their headings, its speed where it has one', () => {
  const readings = made(start, start.serves, 2)
  const table = {
    columns: [
      { name: 'kiln room (°C)', quantity: 'temperature' as const },
      { name: 'outside (°C)', quantity: 'temperature' as const },
      { name: 'fan (%)', quantity: 'speed' as const },
    ],
    atMs: Array.from(readings.atS, (s) => s * 1000),
    values: [Array.from(readings.readC), Array.from(readings.drives.outdoorC!), Array.from(readings.fansPct[0]!)],
    zone: 'as-written',
  }
  const taken = learnReadings(table, installation, start)
  if (!taken.ok) throw new Error(problemLine(taken.problems[0]!))
  expect(Array.from(taken.value.readC)).toEqual(table.values[0])
  expect(Array.from(taken.value.fansPct[0]!)).toEqual(table.values[2])
  const without = learnReadings(
    {
      ...table,
      columns: [table.columns[0]!, { name: 'cellar (°C)', quantity: 'temperature' as const }, table.columns[2]!],
    },
    installation,
    start,
  )
  expect(without.ok ? '' : problemLine(without.problems[0]!)).toMatch(/temperature outside/)
})
