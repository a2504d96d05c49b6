import { chromium } from '@playwright/test'
import { CHROMIUM } from '../debian'
import { withSeededServer } from './seededServer'
import { signIn } from './signIn'

const INSTALLATIONS = 1000
const AIM_MS = 1500

/** How long a yard of a thousand takes from the address to its rows, in Chromium: the first time and with its files at hand. */
export const yardFigures = (): Promise<string> =>
  // The first workspace has half of all.
  withSeededServer(
    { workspaces: 1, installations: 2 * INSTALLATIONS, revisions: 2, yearFiles: 0 },
    async ({ url, seeded: { people, password } }) => {
      const cookie = await signIn(url, people[0]!.email, password)
      const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
      try {
        const context = await browser.newContext({ baseURL: url, extraHTTPHeaders: { cookie: cookie ?? '' } })
        const page = await context.newPage()
        const open = async (): Promise<number> => {
          const startedMs = performance.now()
          await page.goto('/yard')
          await page.locator('a.row').first().waitFor()
          return Math.round(performance.now() - startedMs)
        }
        const cold = await open()
        const warm = Math.min(await open(), await open(), await open())
        return `yard of ${INSTALLATIONS}: its rows are there after ${warm} ms, the first time ${cold} ms (aim ${AIM_MS})`
      } finally {
        await browser.close()
      }
    },
  )
