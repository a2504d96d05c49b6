import fc from 'fast-check'
import { curveAt, isotonic, pchip, pooled } from '@/core/physics/monotone'
import { signalAt, speedFromSignal, type Signal } from '@/core/physics/signal'
import { referencePoints } from '@/testing/reference'

const volts = (convention: 'ten' | 'two-to-ten' | 'ten-cut-off'): Signal => ({ kind: 'volts', convention })

describe('volts, against the reference list', () => {
  test.each(
    referencePoints('sig.v010').map(({ in: i, out }) => ({
      v: i.V as number,
      a: out.linear_0_10 as number,
      b: out.dead_2_10_to_0_100 as number,
      c: out.dead_2_10_to_min20_100 as number,
    })),
  )('$v V → $a, $b, $c %', ({ v, a, b, c }) => {
    expect(speedFromSignal(volts('ten'), v)).toBeCloseTo(a, 4)
    expect(speedFromSignal(volts('two-to-ten'), v)).toBeCloseTo(b, 4)
    expect(speedFromSignal(volts('ten-cut-off'), v)).toBeCloseTo(c, 4)
  })
  test.each(
    referencePoints('sig.v010Inverse').map(({ in: i, out }) => ({
      pct: i.pct as number,
      a: out.linear_V as number,
      b: out.dead_B_V as number,
    })),
  )('$pct % → $a, $b V', ({ pct, a, b }) => {
    expect(signalAt(volts('ten'), pct).value).toBeCloseTo(a, 4)
    expect(signalAt(volts('two-to-ten'), pct).value).toBeCloseTo(b, 4)
  })
  test('6 V is 50 % of a fan that spreads 2–10 V, and 60 % of one that cuts off below 2 V (common practice, no source)', () =>
    expect([speedFromSignal(volts('two-to-ten'), 6), speedFromSignal(volts('ten-cut-off'), 6)]).toEqual([50, 60]))
})

test('PWM, straight and inverted', () =>
  expect([
    signalAt({ kind: 'pwm', inverted: false }, 30).value,
    signalAt({ kind: 'pwm', inverted: true }, 30).value,
  ]).toEqual([30, 70]))

test('from percent to signal and back is the same, where the fan runs', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<Signal>(volts('ten'), volts('two-to-ten'), volts('ten-cut-off'), { kind: 'pwm', inverted: true }),
      fc.double({ min: 20, max: 100, noNaN: true }),
      (signal, pct) => expect(speedFromSignal(signal, signalAt(signal, pct).value)).toBeCloseTo(pct, 9),
    ),
    { seed: 8 },
  )
})

describe('monotone fits', () => {
  test('pool adjacent violators: worked by hand', () =>
    expect(isotonic([1, 3, 2, 4, 3, 5])).toEqual([1, 2.5, 2.5, 3.5, 3.5, 5]))
  test('readings at one setting are one point at their mean', () =>
    expect(
      pooled([
        { x: 2, y: 4 },
        { x: 1, y: 1 },
        { x: 2, y: 6 },
      ]),
    ).toEqual([
      { x: 1, y: 1 },
      { x: 2, y: 5 },
    ]))
  // Values of scipy.interpolate.PchipInterpolator([0,1,2,4],[0,1,3,4]), from memory of its formula and worked by hand at 0.5 and 1.5.
  test('PCHIP passes through its points and is exact on a line', () => {
    const curve = pchip([
      { x: 0, y: 0 },
      { x: 1, y: 1 },
      { x: 2, y: 3 },
      { x: 4, y: 4 },
    ])
    expect([0, 1, 2, 4].map((x) => curveAt(curve, x))).toEqual([0, 1, 3, 4])
    const line = pchip([
      { x: 0, y: 1 },
      { x: 3, y: 7 },
      { x: 5, y: 11 },
    ])
    for (const x of [0.1, 1, 2.9, 4, 5]) expect(curveAt(line, x)).toBeCloseTo(1 + 2 * x, 12)
    expect(curveAt(curve, -0.01)).toBeNaN()
  })
  test('it never falls, and never leaves the range of its points', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 10, noNaN: true }), { minLength: 3, maxLength: 12 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (rises, share) => {
          let y = 0
          const points = rises.map((rise, x) => ({ x, y: (y += rise) }))
          const curve = pchip(points)
          const x = share * (points.length - 1)
          expect(curveAt(curve, x)).toBeGreaterThanOrEqual(points[Math.floor(x)]!.y - 1e-9)
          expect(curveAt(curve, x)).toBeLessThanOrEqual(points[Math.ceil(x)]!.y + 1e-9)
        },
      ),
      { seed: 21 },
    )
  })
})
