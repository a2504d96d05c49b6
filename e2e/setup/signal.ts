import type { Page } from '@playwright/test'
import { expect } from './test'

/** What lies under a key in a table of the browser’s own store. */
const lyingAt = (page: Page, table: string, key: string): Promise<unknown> =>
  page.evaluate(
    async ([from, at]) => {
      const ask = <T>(request: IDBRequest<T>) =>
        new Promise<T>((resolve, reject) => {
          request.onsuccess = () => resolve(request.result)
          request.onerror = () => reject(new Error('no store'))
        })
      const database = await ask(indexedDB.open('soft-gale'))
      try {
        return (await ask(database.transaction(from).objectStore(from).get(at))) as unknown
      } finally {
        database.close()
      }
    },
    [table, key] as const,
  )

/** The working copy as it lies in the browser: with what the server lacks. */
export async function documentHere(page: Page, installationId: string): Promise<unknown> {
  const unsent = (await lyingAt(page, 'unsent', installationId)) as { text: string } | undefined
  if (unsent) return (JSON.parse(unsent.text) as { document: unknown }).document
  return ((await lyingAt(page, 'packs', installationId)) as { document: unknown }).document
}

/** Waits until everything is there that a page needs without signal: the program, and what was opened. */
export async function readyForNoSignal(page: Page, installationId: string): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await expect.poll(async () => (await lyingAt(page, 'packs', installationId)) !== undefined).toBe(true)
}

export const loseSignal = (page: Page): Promise<void> => page.context().setOffline(true)
export const findSignal = (page: Page): Promise<void> => page.context().setOffline(false)

export const idIn = (path: string): string => /installation\/([^/]+)/.exec(path)?.[1] ?? ''
