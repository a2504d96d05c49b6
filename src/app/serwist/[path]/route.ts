import { readFileSync } from 'node:fs'
import { createSerwistRoute } from '@serwist/turbopack'

/** A new build is a new shell. */
const revision = (): string => {
  try {
    return readFileSync('.next/BUILD_ID', 'utf8')
  } catch {
    return String(Date.now())
  }
}

// The service worker: built with the pages, as it carries the list of their files.
export const { dynamic, dynamicParams, revalidate, generateStaticParams, GET } = createSerwistRoute({
  swSrc: 'src/workers/service.worker.ts',
  useNativeEsbuild: true,
  // One that is missing leaves a blank page: all of them are taken, however large.
  maximumFileSizeToCacheInBytes: 50_000_000,
  additionalPrecacheEntries: [{ url: '/offline', revision: revision() }],
})
