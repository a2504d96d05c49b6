// Rules as data: what a room or a whole dwelling wants. Edition shown; check the document before calling it the legal figure. From memory;
// reference-values `req.*`.
export const ENGLAND = {
  edition: 'England, Approved Document F volume 1, 2021 edition, tables 1.1 to 1.3, from memory',
  intermittentLs: { 'kitchen-hood': 30, kitchen: 60, utility: 30, bathroom: 15, wc: 6 },
  continuousLs: { 'kitchen-hood': 13, kitchen: 13, utility: 8, bathroom: 8, wc: 6 },
  /** By number of bedrooms, from 1; six more for each further one. */
  wholeLs: [19, 25, 31, 37, 43],
  furtherBedroomLs: 6,
  leastPerM2Ls: 0.3,
} as const

export const ASHRAE_62_2 = {
  edition: 'ASHRAE 62.2, 2013 and later, from memory; without infiltration credit',
  perM2Ls: 0.15,
  perPersonLs: 3.5,
  demandLs: { 'kitchen-hood': 50, kitchen: 150, utility: 25, bathroom: 25, wc: 25 },
  continuousLs: { bathroom: 10 },
} as const

export const WET_ROOMS = [
  ['kitchen-hood', 'kitchen, hood to outside'],
  ['kitchen', 'kitchen, otherwise'],
  ['utility', 'utility room'],
  ['bathroom', 'bathroom'],
  ['wc', 'WC'],
] as const
