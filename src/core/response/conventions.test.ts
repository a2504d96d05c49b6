import fc from 'fast-check'
import { asConvention, CONVENTIONS, pointsFrom, pointsSentence, type Convention } from '@/core/response/conventions'

test.each([
  { convention: 'on-at-set', action: 'direct', set: 20, d: 1, onAt: 20, offAt: 19 },
  { convention: 'plus-minus', action: 'direct', set: 20, d: 1, onAt: 21, offAt: 19 },
  { convention: 'off-at-set', action: 'direct', set: 20, d: 1, onAt: 21, offAt: 20 },
  { convention: 'symmetric', action: 'direct', set: 21, d: 0.8, onAt: 21.4, offAt: 20.6 }, // 21 ± 0.4 K: common practice, no source
  { convention: 'off-at-set', action: 'reverse', set: 20, d: 1, onAt: 19, offAt: 20 },
] as const)(
  'set $set, differential $d, $convention, $action → on $onAt, off $offAt',
  ({ convention, action, set, d, onAt, offAt }) => {
    const points = pointsFrom(convention, action, set, d)
    expect(points.onAt).toBeCloseTo(onAt, 9)
    expect(points.offAt).toBeCloseTo(offAt, 9)
  },
)

test('the same points in every convention, there and back', () => {
  const any = fc.constantFrom(...(Object.keys(CONVENTIONS) as Convention[]))
  fc.assert(
    fc.property(
      any,
      any,
      fc.constantFrom('direct' as const, 'reverse' as const),
      fc.double({ min: -20, max: 60, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      (from, to, action, set, d) => {
        const points = pointsFrom(from, action, set, d)
        const { setPoint, differential } = asConvention(to, action, points)
        const again = pointsFrom(to, action, setPoint, differential)
        expect(again.onAt).toBeCloseTo(points.onAt, 9)
        expect(again.offAt).toBeCloseTo(points.offAt, 9)
      },
    ),
    { seed: 61 },
  )
})

test('the sentence cannot be misread', () =>
  expect(pointsSentence('direct', { onAt: 40.6, offAt: 40 })).toBe(
    'On at 40.6 °C and above, off at 40.0 °C and below.',
  ))
test('a negative differential is a mistake of the program', () =>
  expect(() => pointsFrom('symmetric', 'direct', 20, -1)).toThrow('cannot be negative'))
