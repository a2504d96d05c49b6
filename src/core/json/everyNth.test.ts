import fc from 'fast-check'
import { everyNth } from '@/core/json/everyNth'

test('few are all of them', () => expect(everyNth([1, 2, 3], 10)).toEqual([1, 2, 3]))

test('at even steps, with both ends, and not many more than asked', () =>
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 1, max: 200 }), (length, about) => {
      const list = Array.from({ length }, (_, index) => index)
      const some = everyNth(list, about)
      expect([some[0], some.at(-1)]).toEqual([0, length - 1])
      expect(some.length).toBeLessThanOrEqual(about + 1)
      const steps = new Set(some.slice(1, -1).map((value, index) => value - some[index]!))
      expect(steps.size).toBeLessThanOrEqual(1)
    }),
    { seed: 28 },
  ))
