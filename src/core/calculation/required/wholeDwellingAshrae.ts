import { ASHRAE_62_2 } from '@/core/calculation/required/dwellingRules'
import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const wholeDwellingAshrae = defineCalculation({
  id: 'whole-dwelling-ashrae',
  name: 'Whole dwelling, ASHRAE 62.2',
  group: 'required flow',
  words: 'bedrooms house flat background america',
  inputs: {
    b: number('bedrooms, 0 counts as one', 'count', 3, [0, 20]),
    A: number('floor area', 'area', 90, [5, 2000]),
  },
  outputs: { q: out('whole dwelling', 'flow') },
  formula: 'q = 0.15 · {A} + 3.5 · ({b}, one where there is none, + 1)',
  source: ASHRAE_62_2.edition,
  run: ({ b, A }) =>
    Number.isInteger(b)
      ? { q: ASHRAE_62_2.perM2Ls * A + ASHRAE_62_2.perPersonLs * (Math.max(1, b) + 1) }
      : 'Bedrooms are counted in whole numbers.',
})
