import { devices, type Page, type Route } from '@playwright/test'
import { idIn, readyForNoSignal } from './setup/signal'
import { expect, expectKept, openStage, test } from './setup/test'

// The line is cut in the middle: what was sent arrives and its answer is lost, or it never arrives; then the page goes. Nothing is lost, nothing is
// there twice. Each cut does another thing, as the one before it was done.

test.use({
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  userAgent: devices['Pixel 7'].userAgent,
  serviceWorkers: 'allow',
})

/** How a line breaks: before the server has it, or after. */
const CUTS = {
  'before it arrives': (route: Route) => route.abort('connectionfailed'),
  'before its answer': async (route: Route) => {
    await route.fetch().catch(() => undefined)
    await route.abort('connectionreset')
  },
} as const

type Work = {
  readonly stage: string
  readonly path: string
  readonly act: (page: Page, nth: number) => Promise<void>
  readonly there: (page: Page, nth: number) => Promise<unknown>
}

const WORK: Record<string, Work> = {
  'an edit': {
    stage: 'brief',
    path: '**/api/working-copy/**',
    async act(page, nth) {
      const field = page.getByRole('textbox', { name: 'heat load, W' })
      await field.fill(`${1234 + nth}`)
      await field.press('Enter')
    },
    there: async (page, nth) => {
      const copy = (await (await page.request.get(`/api/working-copy/${idIn(page.url())}`)).json()) as {
        document: { brief: object }
      }
      return JSON.stringify(copy.document.brief).split(`${1234 + nth}`).length - 1
    },
  },
  'a tick': {
    stage: 'dial-in',
    path: '**/api/working-copy/**',
    act: (page, nth) => page.getByRole('checkbox', { name: `Action ${nth + 1} done` }).tap(),
    there: async (page) => {
      const copy = (await (await page.request.get(`/api/working-copy/${idIn(page.url())}`)).json()) as {
        document: { dial: { done: { action: string }[] } }
      }
      return copy.document.dial.done.length
    },
  },
  'a line for the log': {
    stage: 'hand-over',
    path: '**/api/work',
    async act(page) {
      await page.getByRole('textbox', { name: 'Write into the log' }).fill('Cut in the middle of it.')
      await page.getByRole('button', { name: 'Write', exact: true }).tap()
    },
    there: async (page) =>
      (await (await page.request.get(`/api/log?of=${idIn(page.url())}`)).text()).split('Cut in the middle of it.')
        .length - 1,
  },
  'a check': {
    stage: 'prove',
    path: '**/api/work',
    async act(page) {
      await page.getByRole('button', { name: /^Power off, wait until it stands/ }).tap()
      await page.getByRole('button', { name: 'Seen, next' }).first().tap()
    },
    there: async (page) => {
      const pack = (await (await page.request.get(`/api/along/${idIn(page.url())}`)).json()) as {
        pack?: { results: { check: string }[] }
        results?: { check: string }[]
      }
      return (pack.pack ?? pack).results?.filter(({ check }) => check === 'start-kick').length
    },
  },
}

for (const [what, { stage, path, act, there }] of Object.entries(WORK))
  for (const [nth, [when, cut]] of Object.entries(CUTS).entries())
    test(`${what}, cut ${when}, and the page gone: it is there, once`, async ({ yard }) => {
      await openStage(yard, what === 'a check' ? /Kiln room/ : /Creamery/, stage)
      await readyForNoSignal(yard, idIn(yard.url()))
      const before = Number((await there(yard, nth)) ?? 0)
      await yard.context().route(path, (route) => (route.request().method() === 'GET' ? route.continue() : cut(route)))
      const sent = yard.waitForRequest((request) => request.method() !== 'GET' && request.url().includes('/api/w'))
      await act(yard, nth)
      await sent
      await yard.reload()
      await yard.context().unroute(path)
      await expectKept(yard)
      const wanted = what === 'an edit' ? 1 : before + 1
      await expect.poll(() => there(yard, nth)).toBe(wanted)
      await yard.reload()
      expect(await there(yard, nth)).toBe(wanted)
    })
