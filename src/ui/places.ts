/** How high the places are at the bottom of a phone. */
export const PLACES_PX = 54
/** How high the bar at the top is, and how much of its end it keeps for itself where an installation writes into it. */
export const BAR_PX = 44
export const BAR_END_PX = 48 + 2 * 44 + 4
/** Up to here it is laid out for a phone. */
export const PHONE = '@media (max-width: 899.95px)'

/** The places of the top bar; `g` and the key go there. The sign, a path in a square of 20, stands for the word on a phone. */
export const PLACES = [
  { name: 'Yard', path: '/yard', key: 'y', sign: 'M2.5 5h15M2.5 10h15M2.5 15h15M6 3v4M13 8v4M9 13v4' },
  { name: 'Controllers', path: '/controllers', key: 'c', sign: 'M4 3h12v14H4zM7 6h6v4H7zM8 13.5h.1M12 13.5h.1' },
  {
    name: 'Calculations',
    path: '/sums',
    key: 's',
    sign: 'M3 6h6M6 3v6M11.5 6h5.5M3.8 11.8l4.4 4.4M8.2 11.8l-4.4 4.4M11.5 12.5h5.5M11.5 15.5h5.5',
  },
  { name: 'Log', path: '/log', key: 'l', sign: 'M5 2.5h10v15H5zM7.5 6.5h5M7.5 9.5h5M7.5 12.5h3' },
] as const

/** What to do on a site when the power has been away. */
export const outageAtSite = (site: string): string => `/outage?${new URLSearchParams({ site }).toString()}`
/** The same for one installation. */
export const outageOf = (installationId: string): string => `/outage?only=${installationId}`

export const sitePath = (siteId: string): string => `/site/${siteId}`
/** The cards of everything on a site, one a page. */
export const cardsOfSite = (siteId: string): string => `/cards/${siteId}`
