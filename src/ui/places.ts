/** The places of the top bar; `g` and the key go there. */
export const PLACES = [
  { name: 'Yard', path: '/yard', key: 'y' },
  { name: 'Controllers', path: '/controllers', key: 'c' },
  { name: 'Sums', path: '/sums', key: 's' },
  { name: 'Log', path: '/log', key: 'l' },
] as const
