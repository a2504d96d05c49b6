import ASHRAE_62_2 from '@/core/calculation/required/ashrae-62-2.json' with { type: 'json' }
import ENGLAND from '@/core/calculation/required/england-2021.json' with { type: 'json' }

// Rules as data: what a room or a whole dwelling wants (L/s). `wholeLs` goes by number of bedrooms, from 1; `singleRoomLs` is a dwelling that is
// one habitable room. The edition is shown; check the document before calling it the legal figure. Reference-values `req.*`.
export { ASHRAE_62_2, ENGLAND }

export const WET_ROOMS = [
  ['kitchen-hood', 'kitchen, hood to outside'],
  ['kitchen', 'kitchen, otherwise'],
  ['utility', 'utility room'],
  ['bathroom', 'bathroom'],
  ['wc', 'WC'],
] as const
