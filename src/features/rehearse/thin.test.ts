import fc from 'fast-check'
import { thin } from '@/features/rehearse/thin'

test('few samples are all kept', () => expect(thin(Float64Array.of(1, 5, 2), 700)).toEqual([0, 1, 2]))

test('no peak is lost, the order stays, and no more than asked for are sent', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: 1, maxLength: 3000 }),
      fc.integer({ min: 10, max: 400 }),
      (list, most) => {
        const values = Float64Array.from(list)
        const places = thin(values, most)
        expect(places.length).toBeLessThanOrEqual(Math.max(most + 2, list.length <= most ? list.length : 0))
        expect(places).toEqual([...places].sort((a, b) => a - b))
        const kept = places.map((place) => values[place]!)
        expect([Math.min(...kept), Math.max(...kept)]).toEqual([Math.min(...list), Math.max(...list)])
      },
    ),
    { seed: 91, numRuns: 60 },
  )
})
