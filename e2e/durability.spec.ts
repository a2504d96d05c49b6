import { randomUUID } from 'node:crypto'
import type { APIRequestContext, BrowserContext, Page } from '@playwright/test'
import { runningOf, startGale } from './setup/gale'
import { readyForNoSignal } from './setup/signal'
import { ownSite } from './setup/site'
import { edit, expect, expectKept, openDemo, openStage, test } from './setup/test'

type Copy = { version: number; document: { name: string } }

const isUp = async (request: APIRequestContext): Promise<boolean> =>
  (await request.get('/api/health', { timeout: 2000 }).catch(() => null))?.ok() ?? false

const keptCopy = async (request: APIRequestContext, id: string): Promise<Copy> =>
  (await (await request.get(`/api/working-copy/${id}`)).json()) as Copy

/** Saves one change after another as a page does (the same save again when no answer came) until `until` is true. */
async function keepSaving(request: APIRequestContext, id: string, start: Copy, until: () => boolean): Promise<number> {
  const address = `/api/working-copy/${id}`
  let { version } = start
  let saveId = randomUUID()
  while (!until()) {
    const data = { baseVersion: version, saveId, document: { ...start.document, name: `change ${version}` } }
    const answer = await request.put(address, { data, timeout: 3000 }).catch(() => null)
    if (answer?.status() !== 200) continue
    version = ((await answer.json()) as Copy).version
    saveId = randomUUID()
  }
  return version
}

test('kill -9 of server and of database, again and again during saves: nothing acknowledged is lost', async ({
  browser,
}) => {
  test.setTimeout(240_000)
  const gale = await startGale()
  const context = await browser.newContext({ baseURL: gale.url })
  const page = await context.newPage()
  await openDemo(page)
  const id = (await openStage(page, /Inverter/, 'respond')).split('/')[2]!
  await page.close()
  let isDone = false
  let before = await keptCopy(context.request, id)
  const saving = keepSaving(context.request, id, before, () => isDone)
  for (const victim of ['web', 'postgres', 'web', 'postgres'] as const) {
    const { [victim]: pid } = runningOf(gale.folder)
    process.kill(pid, 'SIGKILL')
    // The start command brings it back by itself, and saving goes on. Until then a request finds nobody.
    await expect.poll(() => isUp(context.request), { timeout: 60_000 }).toBe(true)
    // What is read is taken as it was read: the next asking may find the database gone, as a killed one answers for a moment still.
    let found: Copy | null = null
    const foundVersion = async () => {
      found = await keptCopy(context.request, id).catch(() => null)
      return found?.version ?? 0
    }
    await expect.poll(foundVersion, { timeout: 60_000 }).toBeGreaterThan(before.version)
    before = found ?? before
  }
  isDone = true
  const acknowledged = await saving
  await expect
    .poll(() => keptCopy(context.request, id).catch(() => null), { timeout: 60_000 })
    .toMatchObject({
      version: acknowledged,
      document: { name: `change ${acknowledged - 1}` },
    })
  await gale.stop()
})

test('kill -9 of the server in the middle of each sync of what was done on site: all of it is there, once', async ({
  browser,
}) => {
  test.setTimeout(240_000)
  const gale = await startGale()
  const context = await browser.newContext({ baseURL: gale.url, serviceWorkers: 'allow' })
  const page = await context.newPage()
  await openDemo(page)
  const id = (await openStage(page, /Kiln room/, 'hand-over')).split('/')[2]!
  await readyForNoSignal(page, id)
  const log = async () => (await context.request.get(`/api/log?of=${id}`)).text()
  const times = async (words: string) => (await log().catch(() => '')).split(words).length - 1
  /** What is done is on its way when the server goes. */
  const killed = async (act: () => Promise<void>) => {
    const sent = page.waitForRequest((request) => request.url().endsWith('/api/work'))
    await act()
    await sent
    process.kill(runningOf(gale.folder).web, 'SIGKILL')
    await expect.poll(() => isUp(context.request), { timeout: 60_000 }).toBe(true)
  }
  const once = async (words: string) => {
    await expect.poll(() => times(words), { timeout: 60_000 }).toBe(1)
    await openStage(page, /Kiln room/, 'hand-over')
  }

  await killed(async () => {
    await page.getByRole('textbox', { name: 'Write into the log' }).fill('A line in the middle of it.')
    await page.getByRole('button', { name: 'Write', exact: true }).click()
  })
  await once('A line in the middle of it.')
  await killed(async () => {
    await page.getByRole('button', { name: 'Begin a visit' }).click()
    await page.getByRole('textbox', { name: 'Why this visit' }).fill('a visit in the middle of it')
    await page.getByRole('button', { name: 'End and save the visit' }).click()
  })
  await once('Visit: a visit in the middle of it.')
  await killed(async () => {
    for (const why of await page.getByRole('textbox', { name: /^Why this stays/ }).all()) await why.fill('Known here')
    await page.getByRole('textbox', { name: 'Reason for this seal' }).fill('Sealed in the middle of it')
    await page.getByRole('button', { name: /^Seal revision \d+/ }).click()
  })
  await once('Sealed in the middle of it')
  await openStage(page, /Kiln room/, 'prove')
  await killed(async () => {
    await page.getByRole('button', { name: /^Power off, wait until it stands/ }).click()
    await page.getByRole('button', { name: 'Seen, next' }).last().click()
  })
  const results = async () => {
    const answer = (await (await context.request.get(`/api/along/${id}`)).json()) as { pack: { results: object[] } }
    return answer.pack.results.length
  }
  await expect.poll(() => results().catch(() => 0), { timeout: 60_000 }).toBe(1)
  await page.reload()
  expect(await results()).toBe(1)
  await gale.stop()
})

test('without a line a change stays in the browser, survives a reload, and is sent when the line is back', async ({
  yard,
  context,
}) => {
  await openStage(yard, /Inverter/, 'respond')
  await context.route('**/api/working-copy/**', (route) => route.abort())
  await edit(yard, /heat-sink temperature, start/, '37')
  await expect(yard.getByText('The server cannot be reached. Your change is kept in this browser')).toBeVisible()
  await yard.reload()
  await expect(yard.getByRole('textbox', { name: /heat-sink temperature, start/ })).toHaveValue('37.0')
  await context.unroute('**/api/working-copy/**')
  await expectKept(yard)
  await yard.reload()
  await expect(yard.getByRole('textbox', { name: /heat-sink temperature, start/ })).toHaveValue('37.0')
})

/** The same stage in another tab, beside the first. */
async function secondTab(yard: Page, context: BrowserContext): Promise<Page> {
  const path = await openStage(yard, /Inverter/, 'respond')
  await expectKept(yard)
  const second = await context.newPage()
  await second.goto(path)
  await expectKept(second)
  return second
}

/** No save of this tab arrives until its route is taken away. */
const cutSaves = (page: Page) =>
  page.route('**/api/working-copy/**', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  )

test('a second tab shows what the first kept, at once', async ({ yard, context }) => {
  const second = await secondTab(yard, context)
  await edit(yard, /heat-sink temperature, full/, '54')
  await expectKept(yard)
  await expect(second.getByRole('textbox', { name: /heat-sink temperature, full/ })).toHaveValue('54.0')
  await edit(second, /heat-sink temperature, full/, '55')
  await expectKept(second)
  await expect(yard.getByRole('textbox', { name: /heat-sink temperature, full/ })).toHaveValue('55.0')
})

test('what a second tab changed elsewhere is put together with what the first kept', async ({ yard, context }) => {
  const second = await secondTab(yard, context)
  await cutSaves(second)
  await edit(second, /heat-sink temperature, start/, '31')
  await expect(second.getByText('The server cannot be reached. Your change is kept in this browser')).toBeVisible()
  await edit(yard, /heat-sink temperature, full/, '56')
  await expectKept(yard)
  await second.unroute('**/api/working-copy/**')
  await expect(second.getByText(/changed something else meanwhile; both are here now/)).toBeVisible()
  await expectKept(second)
  for (const page of [yard, second]) {
    await expect(page.getByRole('textbox', { name: /heat-sink temperature, full/ })).toHaveValue('56.0')
    await expect(page.getByRole('textbox', { name: /heat-sink temperature, start/ })).toHaveValue('31.0')
  }
})

test('a second tab that changed the same is told so, and overwrites nothing', async ({ yard, context }) => {
  const second = await secondTab(yard, context)
  await cutSaves(second)
  await edit(second, /heat-sink temperature, full/, '53')
  await expect(second.getByText('The server cannot be reached. Your change is kept in this browser')).toBeVisible()
  await edit(yard, /heat-sink temperature, full/, '54')
  await expectKept(yard)
  await second.unroute('**/api/working-copy/**')
  await expect(second.getByText(/you both changed the same.*53.*here.*54.*there/)).toBeVisible()
  await yard.reload()
  await expect(yard.getByRole('textbox', { name: /heat-sink temperature, full/ })).toHaveValue('54.0')
  await second.getByRole('button', { name: 'Show the newer one' }).click()
  await expect(second.getByRole('textbox', { name: /heat-sink temperature, full/ })).toHaveValue('54.0')
  await edit(second, /heat-sink temperature, full/, '55')
  await expectKept(second)
})

test('a second start says that one runs already', async () => {
  await expect(startGale({ folder: ownSite()?.folder })).rejects.toThrow(/already runs at/)
})
