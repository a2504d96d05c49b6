import AxeBuilder from '@axe-core/playwright'
import { expect, test as base, type BrowserContext, type Page } from '@playwright/test'
import { ownSite } from './site'

/** Contexts of this worker's own Soft Gale; a test may start another one beside it. */
const ownYards = new WeakSet<BrowserContext>()

/** A page that is signed in to the demo yard. */
export const test = base.extend<{ yard: Page }>({
  yard: async ({ page, context }, use) => {
    await context.addCookies([...(ownSite()?.cookies ?? [])])
    ownYards.add(context)
    await use(page)
  },
})

export async function openDemo(page: Page): Promise<void> {
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Open the demo yard' }).click()
  await page.waitForURL('**/yard')
}

/** Where the installations of the demo are, as this worker's yard has shown them. */
const shownAt = new Map<string, string>()

/** What other tests make stands on other sites. */
const DEMO_SITES = /^(Wherry Lane Yard|Staithe landing)$/

async function whereIs(page: Page, installation: RegExp): Promise<string> {
  const isOwn = ownYards.has(page.context())
  const known = shownAt.get(installation.source)
  if (isOwn && known !== undefined) return known
  await page.goto('/yard')
  const link = page.getByRole('region', { name: DEMO_SITES }).getByRole('link', { name: installation })
  const href = (await link.getAttribute('href')) ?? ''
  if (isOwn) shownAt.set(installation.source, href)
  return href
}

/** Opens an installation of the yard at a stage. */
export async function openStage(page: Page, installation: RegExp, stage: string): Promise<string> {
  const path = (await whereIs(page, installation)).replace(/respond$/, stage)
  await page.goto(path)
  // The kept state is drawn in the browser: once it stands there the page answers to keys and clicks.
  await expect(page.locator('#standing')).not.toBeEmpty()
  return path
}

/** Holds our files back; what is returned lets them come. */
export async function holdFiles(page: Page): Promise<() => void> {
  let letCome = () => {}
  const come = new Promise<void>((resolve) => (letCome = resolve))
  await page.route('**/*.js', async (route) => {
    await come
    await route.continue()
  })
  return letCome
}

/** The page answers itself. A field of several lines loses what is selected in it at that moment, and `fill` selects first. */
export const expectAlive = (page: Page) => expect.poll(() => page.evaluate('window.earlyTouches')).toBeNull()

/** The last change has been acknowledged by the server. */
export const expectKept = (page: Page) => expect(page.locator('#standing')).toContainText('kept')

export const edit = async (page: Page, label: string | RegExp, text: string): Promise<void> => {
  const field = page.getByRole('textbox', { name: label })
  await field.fill(text)
  await field.press('Enter')
}

/** Looks at the page once it is drawn: a page whose parts still come has no heading yet. */
export async function expectNoAxeFindings(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
  await expectClean(new AxeBuilder({ page }))
}

/** Looks at what is open over a page: it belongs to no part of the page behind it, which has no heading meanwhile. */
export const expectCleanOver = (page: Page): Promise<void> =>
  expectClean(new AxeBuilder({ page }).disableRules('region'))

async function expectClean(builder: AxeBuilder): Promise<void> {
  const { violations } = await builder
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze()
  expect(
    violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .map(({ target }) => target.join(' '))
          .slice(0, 4)
          .join(' | ')}`,
    ),
  ).toEqual([])
}

export { expect }
