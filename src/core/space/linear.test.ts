import fc from 'fast-check'
import { Solver } from 'odex'
import { oneNode, phi1, phi2, twoNodes } from '@/core/space/linear'
import { referencePoints } from '@/testing/reference'

const two = { end1: 0, end2: 0, mean1: 0, mean2: 0 }
const one = { end: 0, mean: 0 }

/** Air and mass of a room: air with G + UA to outside and H to the mass. */
function room(
  { P, UA, G, H, Ca, Cm, To }: Readonly<Record<string, number>>,
  from: readonly [number, number],
  dtS: number,
): readonly [number, number] {
  twoNodes(
    (G! + UA! + H!) / Ca!,
    H! / Ca!,
    H! / Cm!,
    H! / Cm!,
    (P! + (G! + UA!) * To!) / Ca!,
    0,
    from[0],
    from[1],
    dtS,
    two,
  )
  return [two.end1, two.end2]
}

const TWO_NODE = { P: 2000, UA: 40, G: 241.44, H: 300, Ca: 120720, Cm: 5e6, To: 10 }
const HEAT_REMOVAL = { P: 600, UA: 0, G: 120.72, H: 200, Ca: 60360, Cm: 3e6, To: 15 }

// reference-values `sim.twoNode` and `air.heatRemovalTwoNode`: eigen-solution, LSODA and RK4 agree to 1e-6 K.
const later = (id: string) => referencePoints(id).filter(({ in: { t_s } }) => Number(t_s) > 0)

test.each(later('sim.twoNode'))('two nodes at $in.t_s s', ({ in: { t_s }, out }) => {
  const [air, mass] = room(TWO_NODE, [28, 26], Number(t_s))
  expect(air).toBeCloseTo(Number(out.T_air), 4)
  expect(mass).toBeCloseTo(Number(out.T_mass), 4)
})
test.each(later('air.heatRemovalTwoNode'))('room with mass at $in.t_s s', ({ in: { t_s }, out }) => {
  const [air, mass] = room(HEAT_REMOVAL, [30, 30], Number(t_s))
  expect(air).toBeCloseTo(Number(out.T_air ?? out.Ta), 4)
  expect(mass).toBeCloseTo(Number(out.T_mass ?? out.Tm), 4)
})

// reference-values `sim.oneNodeStep`: closed form, RK45.
test.each(later('sim.oneNodeStep'))('one node, $in.q_l_s l/s, $in.t_s s', ({ in: { q_l_s, T0, t_s }, out }) => {
  const wk = 50 + 1.2072 * Number(q_l_s)
  oneNode(wk / 5e5, (1000 + wk * 15) / 5e5, Number(T0), Number(t_s), one)
  expect(one.end).toBeCloseTo(Number(out.T), 4)
})

test('ten steps are one step ten times as long, and a mean is a mean', () => {
  let at: readonly [number, number] = [28, 26]
  let sum = 0
  for (let step = 0; step < 1000; step++) {
    at = room(TWO_NODE, at, 3.6)
    sum += two.mean1
  }
  const [air, mass] = room(TWO_NODE, [28, 26], 3600)
  expect(at[0]).toBeCloseTo(air, 9)
  expect(at[1]).toBeCloseTo(mass, 9)
  expect(sum / 1000).toBeCloseTo(two.mean1, 9)
})

test('agrees with an independent integrator at a tight tolerance, whatever the figures', () => {
  const rate = fc.double({ min: 1e-6, max: 0.05, noNaN: true })
  fc.assert(
    fc.property(rate, rate, rate, rate, fc.integer({ min: 1, max: 3600 }), (loss, c12, c21, loss2, dtS) => {
      const [k1, k2, b1, b2] = [loss + c12, loss2 + c21, 20 * loss, 5 * loss2]
      const solver = new Solver(3)
      solver.absoluteTolerance = solver.relativeTolerance = 1e-11
      const { y } = solver.solve(
        (_, [x1, x2]) => [b1 - k1 * x1! + c12 * x2!, b2 + c21 * x1! - k2 * x2!, x1!],
        0,
        [30, 12, 0],
        dtS,
      )
      twoNodes(k1, c12, c21, k2, b1, b2, 30, 12, dtS, two)
      expect(two.end1).toBeCloseTo(y[0]!, 6)
      expect(two.end2).toBeCloseTo(y[1]!, 6)
      expect(two.mean1).toBeCloseTo(y[2]! / dtS, 6)
    }),
    { seed: 14, numRuns: 60 },
  )
})

test.each([0, -1e-9, -1e-6, -0.009999, -0.010001, -0.5, -40, -2000])('both functions are smooth at z = %p', (z) => {
  const series = (first: number) => {
    let [sum, term] = [0, first]
    for (let n = 1; n < 60; n++) {
      sum += term
      term *= z / (n + (first === 1 ? 1 : 2))
    }
    return sum
  }
  if (z > -20) {
    expect(phi1(z)).toBeCloseTo(series(1), 12)
    expect(phi2(z)).toBeCloseTo(series(0.5), 12)
  } else {
    expect(phi1(z)).toBeCloseTo(-1 / z, 9)
    expect(phi2(z)).toBeCloseTo((-1 / z - 1) / z, 9)
  }
})
