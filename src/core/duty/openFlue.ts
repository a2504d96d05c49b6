import { OPEN_FLUE, type Caution } from '@/core/duty/cautions'
import { ask } from '@/core/duty/plan'

export const openFlueQuestion = ask.safety(
  'openFlue',
  'Is there an open-flued stove or boiler anywhere in the building?',
  null,
  'Until it is known, the spillage test stays on the list.',
)

/** Known to be there, or not known: test and caution stand. */
export const openFlueLater = (isThere: boolean | null): string[] =>
  isThere === false ? [] : ['Spillage test by a certified person, with every extract at full.']

export const openFlueCautions = (isThere: boolean | null): Caution[] => (isThere === false ? [] : [OPEN_FLUE])
