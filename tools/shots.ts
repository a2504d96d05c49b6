import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { chromium, type Browser } from '@playwright/test'
import { startGale } from '../e2e/setup/gale'
import { CHROMIUM, needChromium } from './debian'

type Shot = {
  readonly file: string
  readonly path: string
  readonly phone?: boolean
  readonly waitFor?: string
  /** Whose stage it is; the fruiting room’s where none is named. */
  readonly of?: RegExp
  /** Which part of a stage is shown. */
  readonly part?: string
  /** What the chart of Respond shows. */
  readonly view?: string
  /** The day of Rehearse. */
  readonly day?: string
  /** Buttons pressed one after the other, a field filled, a last button, and a text that is waited for at the end. */
  readonly press?: readonly string[]
  readonly type?: { readonly field: string; readonly text: string }
  readonly then?: string
  readonly text?: RegExp
}

/** One picture of each main view, from the demo data. `@stage` is a stage of an installation, `@record` and `@card` its printable record and card. */
const SHOTS: readonly Shot[] = [
  { file: 'yard', path: '/yard' },
  { file: 'brief', path: '@brief' },
  { file: 'kit', path: '@kit' },
  { file: 'calibrate', path: '@calibrate' },
  { file: 'respond', path: '@respond' },
  {
    file: 'respond-week',
    path: '@respond',
    of: /Archive flat/,
    view: 'week, and what runs when',
    waitFor: '[aria-label="Painted week"]',
  },
  {
    file: 'respond-ladder',
    path: '@respond',
    of: /Duckling brooder/,
    view: 'staging ladder',
    waitFor: '[aria-label="Staging ladder"]',
  },
  { file: 'rehearse', path: '@rehearse', day: 'power cut', text: /Meanwhile: power cut/ },
  { file: 'rehearse-compare', path: '@rehearse', day: 'hot spell', press: ['Side by side'], text: /against A:/ },
  {
    file: 'rehearse-search',
    path: '@rehearse',
    day: 'hot spell',
    press: ['Better settings…'],
    // The usual number takes minutes on two cores.
    type: { field: 'settings to try', text: '60' },
    then: 'Look for better',
    text: /on the front · seed/,
  },
  {
    file: 'dial-in-phone',
    path: '@dial-in',
    phone: true,
    part: 'One at a time',
    press: Array.from({ length: 5 }, () => 'Done, next'),
  },
  { file: 'settings', path: '@dial-in', of: /Ticket-hall door/, part: 'All settings' },
  { file: 'prove', path: '@prove' },
  { file: 'prove-phone', path: '@prove', phone: true },
  { file: 'hand-over', path: '@hand-over' },
  { file: 'card', path: '@card' },
  { file: 'record', path: '@record' },
  { file: 'controllers', path: '/controllers' },
  { file: 'sums', path: '/sums?sum=round-traverse' },
]

const FOLDER = 'docs/screenshots'

/** A page of an installation, from the address of its Respond stage. */
const pageOf = (respond: string, stage: string): string =>
  stage === 'record' || stage === 'card'
    ? respond.replace(/installation\/([^/]+)\/respond/, `${stage}/$1`)
    : respond.replace('respond', stage)

async function take(
  browser: Browser,
  url: string,
  { file, path, phone = false, waitFor, of = /Fruiting room/, part, view, day, press = [], type, then, text }: Shot,
): Promise<void> {
  const context = await browser.newContext({
    baseURL: url,
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    colorScheme: 'light',
    isMobile: phone,
    hasTouch: phone,
  })
  const page = await context.newPage()
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Open the demo yard' }).click()
  await page.waitForURL('**/yard')
  const room = await page.getByRole('link', { name: of }).first().getAttribute('href')
  await page.goto(path.startsWith('@') ? pageOf(room ?? '', path.slice(1)) : path)
  await page.waitForLoadState('networkidle')
  if (part) await page.getByRole('tab', { name: part }).click()
  if (view) {
    await page.getByRole('combobox', { name: 'what the chart shows' }).click()
    await page.getByRole('option', { name: view }).click()
  }
  if (day) {
    await page.getByRole('combobox', { name: 'what to rehearse' }).click()
    await page.getByRole('option', { name: day, exact: true }).click()
    await page.getByText(/steps of 10 s in/).waitFor()
  }
  for (const name of press) await page.getByRole('button', { name }).click()
  if (type) {
    await page.getByRole('textbox', { name: type.field }).fill(type.text)
    await page.keyboard.press('Enter')
  }
  if (then) await page.getByRole('button', { name: then }).click()
  if (text) await page.getByText(text).first().waitFor({ timeout: 300_000 })
  if (waitFor) await page.locator(waitFor).waitFor()
  await page.evaluate(() => window.scrollTo(0, 0))
  await page.screenshot({ path: `${FOLDER}/${file}.png`, animations: 'disabled' })
  await context.close()
}

/** Makes the pictures in docs/screenshots again, on a fresh demo. */
export async function shots(): Promise<number> {
  await needChromium()
  mkdirSync(FOLDER, { recursive: true })
  const folder = mkdtempSync(`${tmpdir()}/gale-shots-`)
  const gale = await startGale({ folder })
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  })
  try {
    for (const shot of SHOTS) await take(browser, gale.url, shot)
  } finally {
    await browser.close()
    await gale.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  console.log(`${SHOTS.length} pictures in ${FOLDER}`)
  return 0
}
