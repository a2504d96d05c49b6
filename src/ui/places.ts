/** The places of the top bar; `g` and the key go there. */
export const PLACES = [
  { name: 'Yard', path: '/yard', key: 'y' },
  { name: 'Controllers', path: '/controllers', key: 'c' },
  { name: 'Sums', path: '/sums', key: 's' },
  { name: 'Log', path: '/log', key: 'l' },
] as const

/** What to do on a site when the power has been away. */
export const outageAtSite = (site: string): string => `/outage?${new URLSearchParams({ site }).toString()}`
/** The same for one installation. */
export const outageOf = (installationId: string): string => `/outage?only=${installationId}`
