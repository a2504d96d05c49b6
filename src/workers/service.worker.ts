import { NetworkOnly, Serwist, type PrecacheEntry } from 'serwist'

// What a browser keeps of the program: its files, and one page that draws any other from what was taken along. Nothing of a workspace is kept here.

declare const self: { readonly __SW_MANIFEST: (PrecacheEntry | string)[] | undefined }

new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: { cleanupOutdatedCaches: true },
  skipWaiting: true,
  clientsClaim: true,
  // The server’s own page wherever there is a server.
  runtimeCaching: [{ matcher: ({ request }) => request.mode === 'navigate', handler: new NetworkOnly() }],
  fallbacks: { entries: [{ url: '/offline', matcher: ({ request }) => request.mode === 'navigate' }] },
}).addEventListeners()
