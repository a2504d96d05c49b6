import fc from 'fast-check'
import { asConvention, CONVENTIONS, pointsFrom, pointsSentence, type Convention } from '@/core/response/conventions'

test.each([
  { convention: 'on-at-set', sense: 'cooling', set: 20, d: 1, onAt: 20, offAt: 19 },
  { convention: 'plus-minus', sense: 'cooling', set: 20, d: 1, onAt: 21, offAt: 19 },
  { convention: 'off-at-set', sense: 'cooling', set: 20, d: 1, onAt: 21, offAt: 20 },
  { convention: 'symmetric', sense: 'cooling', set: 21, d: 0.8, onAt: 21.4, offAt: 20.6 }, // 21 ± 0.4 K: common practice, no source
  { convention: 'off-at-set', sense: 'heating', set: 20, d: 1, onAt: 19, offAt: 20 },
] as const)(
  'set $set, differential $d, $convention, $sense → on $onAt, off $offAt',
  ({ convention, sense, set, d, onAt, offAt }) => {
    const points = pointsFrom(convention, sense, set, d)
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
      fc.constantFrom('cooling' as const, 'heating' as const),
      fc.double({ min: -20, max: 60, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      (from, to, sense, set, d) => {
        const points = pointsFrom(from, sense, set, d)
        const { setPoint, differential } = asConvention(to, sense, points)
        const again = pointsFrom(to, sense, setPoint, differential)
        expect(again.onAt).toBeCloseTo(points.onAt, 9)
        expect(again.offAt).toBeCloseTo(points.offAt, 9)
      },
    ),
    { seed: 61 },
  )
})

test('the sentence cannot be misread', () =>
  expect(pointsSentence('cooling', { onAt: 40.6, offAt: 40 })).toBe(
    'On at 40.6 °C and above, off at 40.0 °C and below.',
  ))
test('a negative differential is a mistake of the program', () =>
  expect(() => pointsFrom('symmetric', 'cooling', 20, -1)).toThrow('cannot be negative'))
