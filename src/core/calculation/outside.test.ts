import { warmsInS } from '@/core/brief/warming'
import { meetingPoint } from '@/core/calculation/fans/operatingPoint'
import { frictionFactor } from '@/core/calculation/flow/ductFriction'
import { calculationById } from '@/core/calculation/registry'
import { resultLines, runCalculation, startValues, type CalculationValues } from '@/core/calculation/runCalculation'

/** Results of a calculation for values in base units, the rest as they stand first. */
function resultsOf(id: string, given: CalculationValues): Readonly<Record<string, number>> {
  const calculation = calculationById(id)!
  const outcome = runCalculation(calculation, { ...startValues(calculation), ...given })
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value.results
}

// Worked out by hand from the formula that is named, unless another source stands beside it.
test.each<{
  calculation: string
  given: CalculationValues
  expected: Record<string, number>
  within?: number
  source: string
}>([
  {
    calculation: 'system-effect',
    given: { place: 'inlet-elbow', q: 90, D: 0.2, p: 120 },
    expected: { v: 2.8648, dp: 5.909, share: 4.924 },
    source: '1.2 velocity pressures',
  },
  {
    calculation: 'traverse-uncertainty',
    given: { q: 170, n: 12, s: 10, a: 3, d: 1 },
    expected: { u: 7.394, low: 157.43, high: 182.57 },
    source: 'GUM: 2 · √(8.333 + 3 + 1.333 + 1)',
  },
  {
    calculation: 'sound-together',
    given: { L: [60, 60] },
    expected: { total: 63.01, without: 60 },
    source: 'two equal: 3 dB',
  },
  {
    calculation: 'sound-together',
    given: { L: Array.from({ length: 10 }, () => 50) },
    expected: { total: 60 },
    source: 'ten equal: 10 dB',
  },
  {
    calculation: 'room-level',
    given: { Lw: 90, Q: '1', r: 1, S: 100, a: 99 },
    expected: { direct: 79.01 },
    source: 'free field at 1 m: 11 dB less (ISO 3744, from memory)',
  },
  {
    calculation: 'room-level',
    given: { Lw: 80, Q: '2', r: 2, S: 100, a: 20 },
    expected: { Lp: 73.006, field: 72.041 },
    source: 'R = 25 m²',
  },
  {
    calculation: 'filter-loading',
    given: { p0: 45, q0: 80, p1: 62, q1: 74, pf: 120, d: 90 },
    expected: { now: 68.08, used: 30.77, left: 202.5 },
    source: 'straight growth',
  },
  {
    calculation: 'depressurisation',
    given: { q: 90, V: 240, n50: 3, p: 4 },
    expected: { dp: 14.637, leaks: 38.73, A: 0.03255 },
    source: 'q50 = 200 l/s',
  },
  {
    calculation: 'people-co2',
    given: { N: 1, act: 'sitting', q: 7.5, Co: 400, V: 30, C0: 400, t: 4000, limit: 1100 },
    expected: { end: 1093.3, C: 838.2 },
    source: 'ASHRAE 62.1, informative appendix, from memory: 7.5 l/s a person holds about 700 ppm over outside',
  },
  {
    calculation: 'derating',
    given: { I: 3, tr: 35, pct: 2.5, ta: 30, P: 30, kA: 1.5, I1: 1.5 },
    expected: { ti: 50, max: 1.875, load: 80 },
    source: '15 K over, 37.5 % less',
  },
  {
    calculation: 'curtain-jet',
    given: { v: 9, b: 0.07, w: 1.2, H: 2.3, ti: 20, to: 2 },
    expected: { q0: 756, vf: 9 * 2.47 * Math.sqrt(0.07 / 2.3), qf: 756 * 0.62 * Math.sqrt(2.3 / 0.07) },
    within: 0.01,
    source: 'the same jet by its whole slot: 2.47 √(b/x), 0.62 √(x/b) (ASHRAE Fundamentals, from memory)',
  },
])('$calculation: $source', ({ calculation, given, expected, within = 5e-4 }) => {
  const results = resultsOf(calculation, given)
  for (const [key, value] of Object.entries(expected))
    expect(Math.abs(results[key]! / value - 1)).toBeLessThanOrEqual(within)
})

describe('friction of a duct', () => {
  test('laminar: 64 / Re', () => expect(frictionFactor(1000, 0.01)).toBeCloseTo(0.064, 9))
  // White, Fluid Mechanics, example of asphalted cast iron, from memory: Re 2.7e5, ε/d 0.0008 → 0.0200.
  test('a textbook pipe', () => expect(frictionFactor(2.7e5, 0.0008)).toBeCloseTo(0.02, 3))
  test.each([5e3, 3e4, 1e5, 1e6, 1e7])('Re %d lies within 3 %% of Swamee and Jain (1976)', (reynolds) => {
    for (const rough of [1e-5, 1e-4, 1e-3, 1e-2]) {
      const explicit = 0.25 / Math.log10(rough / 3.7 + 5.74 / reynolds ** 0.9) ** 2
      expect(Math.abs(frictionFactor(reynolds, rough) / explicit - 1)).toBeLessThan(0.03)
    }
  })
  // Handbook chart for spiral duct, read to a tenth, from memory: 160 mm, 250 m³/h → about 1 Pa/m.
  test('as the chart says', () => {
    const { each } = resultsOf('duct-friction', { D: 0.16, q: 250 / 3.6, e: 0.09, L: 1, z: 0, t: 20 })
    expect(each).toBeGreaterThan(0.9)
    expect(each).toBeLessThan(1.2)
  })
  test('a square duct of the same hydraulic diameter and velocity loses as much', () => {
    const round = resultsOf('duct-friction', { shape: 'round', D: 0.2, q: 100, L: 10, z: 1 })
    const square = resultsOf('duct-friction', { shape: 'rectangular', w: 0.2, h: 0.2, q: 400 / Math.PI, L: 10, z: 1 })
    expect(square.total!).toBeCloseTo(round.total!, 6)
  })
})

describe('where fan and system meet', () => {
  // p = 200 − 0.01 q² on p = 0.02 q²: q = √(200 / 0.03).
  const flows = Array.from({ length: 29 }, (_, index) => index * 5)
  const curve = flows.map((q) => ({ q, p: 200 - 0.01 * q ** 2 }))
  test('a parabola on a parabola', () => {
    const met = meetingPoint(curve, 0, 0.02)!
    expect(Math.abs(met.q / Math.sqrt(200 / 0.03) - 1)).toBeLessThan(0.002)
    expect(Math.abs(met.p / (0.02 * met.q ** 2) - 1)).toBeLessThan(1e-9)
  })
  test('half the speed on a system without pressure of its own: half the flow, a quarter of the pressure', () => {
    const at = (N: number) =>
      resultsOf('operating-point', { qs: flows, ps: curve.map(({ p }) => p), q1: 50, p1: 50, p0: 0, N })
    expect(at(50).q!).toBeCloseTo(at(100).q! / 2, 6)
    expect(at(50).p!).toBeCloseTo(at(100).p! / 4, 6)
  })
  test('a system that wants more than the fan has is said', () => {
    const calculation = calculationById('operating-point')!
    expect(runCalculation(calculation, { ...startValues(calculation), p0: 900, p1: 950 })).toMatchObject({ ok: false })
  })
})

describe('houses that warm', () => {
  test('with no loss: heat over capacity', () =>
    expect(warmsInS(1000, 0, 1e6, { fromC: 20, toC: 30, outsideC: 10 })).toBe(10000))
  test('half way to where it ends takes τ · ln 2', () =>
    expect(warmsInS(1000, 100, 1e6, { fromC: 10, toC: 15, outsideC: 10 })).toBeCloseTo(1e4 * Math.LN2, 6))
  test('never, where the loss holds it', () =>
    expect(warmsInS(1000, 100, 1e6, { fromC: 10, toC: 21, outsideC: 10 })).toBe(Infinity))
  test('carbon dioxide: what the air takes over what is given', () => {
    const house = { a: 'pig', N: 50, m: 60, V: 400, C: 21000 }
    const units = resultsOf('animal-heat', { ...house, t: 20 }).each! * (50 / 1000)
    expect(resultsOf('without-air', house).co2!).toBeCloseTo((400 * 0.02 * 3600) / (units * 0.185), 4)
  })
  test('least air by age is the balance of the house at that mass', () => {
    const flock = { a: 'pig', N: 50, C: 3000 }
    const { first, now } = resultsOf('air-by-age', { ...flock, m0: 20, m1: 100, days: 80, d: 40 })
    expect(first!).toBeCloseTo(resultsOf('house-air', { ...flock, m: 20 }).co2!, 6)
    expect(now!).toBeCloseTo(resultsOf('house-air', { ...flock, m: 60 }).co2!, 6)
  })
})

test('starts an hour: as a room does that is stepped through second by second', () => {
  const given = { on: 28, off: 26, P: 800, to: 15, UA: 15, q: 120, V: 30, k: 5 }
  let [temp, isOn, starts, seconds] = [27, false, 0, 0]
  let firstS = 0
  const capacity = 5 * 1207.2 * 30
  while (starts < 40) {
    const loss = given.UA + (isOn ? 1.2072 * given.q : 0)
    temp += (given.P - loss * (temp - given.to)) / capacity
    seconds++
    if (!isOn && temp >= given.on) {
      isOn = true
      if (starts++ === 0) firstS = seconds
    }
    if (isOn && temp <= given.off) isOn = false
  }
  const stepped = (3600 * (starts - 1)) / (seconds - firstS)
  expect(Math.abs(resultsOf('starts-per-hour', given).starts! / stepped - 1)).toBeLessThan(0.01)
})

describe('results in the unit people say them in, or in the one asked for', () => {
  const linesOf = (id: string, given: CalculationValues, as?: Record<string, string>) =>
    Object.fromEntries(
      resultLines(calculationById(id)!, resultsOf(id, given), undefined, as).map(({ key, text }) => [key, text]),
    )
  test('hours, not seconds', () => expect(linesOf('without-air', { a: 'pig', N: 5, m: 60, V: 200 }).co2).toMatch(/ h$/))
  test('cubic metres an hour on request', () =>
    expect(linesOf('heat-removal', { P: 900, dT: 4 }, { q: 'm³/h' }).q).toBe('671 m³/h'))
})

// A result that cannot be gets its sentence.
test.each<{ calculation: string; given: CalculationValues; says: RegExp }>([
  { calculation: 'heat-recovery', given: { to: 0, te: 20, ts: 22 }, says: /More than all of it/ },
  { calculation: 'heat-recovery', given: { to: 0, te: 20, ts: -2 }, says: /Below nothing/ },
  { calculation: 'superheat', given: { ts: -40, p: 400 }, says: /cannot be colder than it boils/ },
  { calculation: 'condensing-over-ambient', given: { tl: 80 }, says: /cannot be warmer than it condenses/ },
  { calculation: 'condensing-over-ambient', given: { ta: 60 }, says: /cannot condense below the air/ },
  { calculation: 'air-split', given: { tr: 14, ts: 20 }, says: /warmer than the return/ },
])('$calculation that cannot be: $says', ({ calculation: id, given, says }) => {
  const calculation = calculationById(id)!
  const outcome = runCalculation(calculation, { ...startValues(calculation), ...given })
  expect(outcome.ok ? outcome.value.verdict : '').toMatch(says)
})

test.each([0, 1])('a dwelling with %d bedrooms counts as one with one', (b) =>
  expect(resultsOf('whole-dwelling-ashrae', { b, A: 50 }).q!).toBeCloseTo(0.15 * 50 + 7, 9),
)

describe('a traverse is judged by its rule', () => {
  const verdictOf = (v: readonly number[], n = '6') => {
    const calculation = calculationById('round-traverse')!
    const outcome = runCalculation(calculation, { ...startValues(calculation), v, n })
    return outcome.ok ? outcome.value : null
  }
  const even = Array.from({ length: 12 }, (_, index) => 4 + (index % 2) / 10)
  test('all that the rule wants', () => expect(verdictOf(even)?.verdict).toMatch(/^Good/))
  test('eleven of twelve are one too few', () =>
    expect(verdictOf(even.slice(1))?.verdict).toMatch(/^Fair.* wants 12 .* 1 more/))
  test('twelve are too few for ten points on a diameter', () => expect(verdictOf(even, '10')?.verdict).toMatch(/^Fair/))
  // 0.3 of the greatest velocity is 0.09 of its pressure: under a tenth.
  test('three in four by velocity pressure, not by velocity', () => {
    const weak = even.map((v, index) => (index < 4 ? 0.3 * 4.1 : v))
    expect(verdictOf(weak)?.verdict).toMatch(/^Poor/)
    expect(verdictOf(weak.map((v, index) => (index === 0 ? 4 : v)))?.verdict).not.toMatch(/near nothing/)
  })
  test('spread divides by n − 1', () =>
    expect(verdictOf([3, 5])?.results.spread).toBeCloseTo((100 * Math.SQRT2) / 4, 9))
})
