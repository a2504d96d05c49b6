import { NetworkOnly, Serwist, type PrecacheEntry, type SerwistPlugin } from 'serwist'

// What a browser keeps of the program: its files, and one page that draws any other from what was taken along. Nothing of a workspace is kept here.

declare const self: { readonly __SW_MANIFEST: (PrecacheEntry | string)[] | undefined }

/** What an event of fetching is for; other events are for nothing of the page. */
const destinationOf = (event: unknown): string =>
  (event as { readonly request?: { readonly destination: string } }).request?.destination ?? ''

/** A worker learns from the end of its address what to load. A kept answer brings its own address, without that end; a fresh one has none, and the
 *  worker keeps the one it was asked for by. */
const WORKERS_KEEP_THEIR_ADDRESS: SerwistPlugin = {
  cachedResponseWillBeUsed: ({ cachedResponse, event }) =>
    Promise.resolve(
      cachedResponse && destinationOf(event) === 'worker'
        ? new Response(cachedResponse.body, { status: cachedResponse.status, headers: cachedResponse.headers })
        : cachedResponse,
    ),
}

new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: { cleanupOutdatedCaches: true, plugins: [WORKERS_KEEP_THEIR_ADDRESS] },
  skipWaiting: true,
  clientsClaim: true,
  // The server’s own page wherever there is a server.
  runtimeCaching: [{ matcher: ({ request }) => request.mode === 'navigate', handler: new NetworkOnly() }],
  fallbacks: { entries: [{ url: '/offline', matcher: ({ request }) => request.mode === 'navigate' }] },
}).addEventListeners()
