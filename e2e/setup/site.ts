import type { Cookie } from '@playwright/test'

/** The Soft Gale of one worker: nobody else changes what is in it. */
export type Site = { readonly url: string; readonly folder: string; readonly cookies: readonly Cookie[] }

export const writeSites = (sites: readonly Site[]): void => void (process.env.GALE_E2E_SITES = JSON.stringify(sites))

/** The one of the worker that asks; undefined outside of workers. */
export const ownSite = (): Site | undefined =>
  (JSON.parse(process.env.GALE_E2E_SITES ?? '[]') as Site[])[Number(process.env.TEST_PARALLEL_INDEX ?? NaN)]
