import { ENGLAND } from '@/core/calculation/required/dwellingRules'
import { defineCalculation, number, out } from '@/core/calculation/calculation'

/** Least air of a whole dwelling (L/s). No bedroom: all of it is one habitable room. */
export function wholeDwellingEnglandLs(bedrooms: number, floorM2: number): number {
  const { wholeLs, furtherBedroomLs, singleRoomLs, leastPerM2Ls } = ENGLAND
  const last = wholeLs.length
  const byRooms =
    bedrooms === 0
      ? singleRoomLs
      : wholeLs[Math.min(bedrooms, last) - 1]! + furtherBedroomLs * Math.max(0, bedrooms - last)
  return Math.max(byRooms, leastPerM2Ls * floorM2)
}

export const wholeDwellingEngland = defineCalculation({
  id: 'whole-dwelling-england',
  name: 'Whole dwelling, England',
  group: 'required flow',
  words: 'approved document f bedrooms house flat background',
  inputs: {
    b: number('bedrooms, 0 where all is one room', 'count', 3, [0, 20]),
    A: number('floor area', 'area', 90, [5, 2000]),
  },
  outputs: { q: out('whole dwelling', 'flow') },
  formula: 'q = the greater of the table for {b} bedrooms and 0.3 l/s per m² · {A}',
  source: ENGLAND.edition,
  run: ({ b, A }) =>
    Number.isInteger(b) ? { q: wholeDwellingEnglandLs(b, A) } : 'Bedrooms are counted in whole numbers.',
})
