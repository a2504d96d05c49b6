import type { Page } from '@playwright/test'
import { STAGES } from '../src/ui/stages'
import { lookAt } from './setup/installation'
import { crossedOn } from './setup/look'
import { expect, openStage, test } from './setup/test'

// Every main view as it lies on the screen: no text on another, cut by its box or past the edge. 640 and 320 px are a desk at 200 and 400 %.

const WIDE = 1280
/** Just wide enough to be a desk. */
const NARROW_DESK = 920
const WIDTHS = { metric: [WIDE, 640, 390, 320], customary: [WIDE, 390] } as const
type Units = keyof typeof WIDTHS

type Looked = {
  readonly of: RegExp
  readonly views: readonly string[]
  readonly isLong: boolean
  /** A file of readings that the demo has of it. */
  readonly file?: string
}

/** Those whose names and figures are the longest, and that have views of their own, at every width and in both units; the others on a desk and on
 *  a phone. */
const INSTALLATIONS: readonly Looked[] = [
  { of: /Fruiting room/, views: ['humidity', 'two inputs at once', 'followers in flow'], isLong: true },
  {
    of: /Duckling brooder/,
    views: ['staging ladder', 'week, and what runs when', 'controllers compared'],
    isLong: true,
  },
  { of: /Creamery condenser/, views: ['probe, saturation and pressure'], isLong: true },
  {
    of: /Archive flat/,
    views: ['outdoor temperature', 'week, and what runs when'],
    isLong: true,
    file: 'archive-flat-28-oct.csv',
  },
  ...[/Ticket-hall door/, /Inverter cupboard/, /Rowing-club/, /Kiln room/, /Bake-house oven flue/].map((of) => ({
    ...{ of, views: [], isLong: false },
  })),
]

const PLACES = [
  '/yard',
  '/controllers',
  '/controllers/two-pad-pwm',
  '/sums',
  '/sums?sum=round-traverse',
  '/log',
  '/people',
  '/account',
  '/outage',
  '/rules',
]

/** What is crossed, cut or outside on this page at each width. */
async function crossedAt(page: Page, widths: readonly number[], name: string): Promise<string[]> {
  const found: string[] = []
  for (const width of widths) {
    await page.setViewportSize({ width, height: 844 })
    found.push(...(await crossedOn(page)).map((one) => `${name} at ${width} px: ${one}`))
  }
  await page.setViewportSize({ width: WIDE, height: 800 })
  return found
}

async function readIn(page: Page, units: Units): Promise<void> {
  await page.goto('/account')
  await page.getByRole('button', { name: units === 'metric' ? 'All metric' : 'All as in the United States' }).click()
  await expect(page.getByRole('combobox', { name: 'unit of flow' })).toHaveText(units === 'metric' ? 'l/s' : 'cfm')
}

test('what is crossed, cut or outside is found, and named with its texts', async ({ page }) => {
  await page.setContent(`<main style="position:relative;width:300px">
    <p style="position:absolute;left:0;top:0">written below</p><p style="position:absolute;left:20px;top:4px">written above</p>
    <p style="position:absolute;top:90px;width:60px;overflow:hidden;white-space:nowrap">cut short by its box</p>
    <p style="position:absolute;top:140px;left:${WIDE - 20}px;white-space:nowrap">past the edge</p>
    <svg style="position:absolute;top:200px" width="200" height="30"><text x="0" y="20">limit 30</text><text x="30" y="20">target</text>
      <text x="120" y="20">floor</text><circle cx="135" cy="16" r="9" /></svg></main>`)
  expect((await crossedOn(page)).map((words) => words.replace(/by \d+ px|is \d+ px/, '…'))).toEqual([
    'cut …: “cut short by its box”',
    'outside the screen: “past the edge”',
    'under a handle: “floor”',
    'crossed: “written below” and “written above”',
    'crossed: “limit 30” and “target”',
    expect.stringContaining('wider than the screen'),
  ])
})

test('sign-in', async ({ page }) => {
  await page.goto('/sign-in')
  expect(await crossedAt(page, WIDTHS.metric, 'sign-in')).toEqual([])
  await page.getByRole('button', { name: 'New here: make a workspace of your own' }).click()
  expect(await crossedAt(page, WIDTHS.metric, 'sign-up')).toEqual([])
})

for (const units of ['metric', 'customary'] as const) {
  test(`places, ${units}`, async ({ yard }) => {
    const found: string[] = []
    try {
      await readIn(yard, units)
      for (const path of PLACES) {
        await yard.goto(path)
        await expect(yard.getByRole('heading', { level: 1 }).first()).toBeVisible()
        found.push(...(await crossedAt(yard, [...WIDTHS[units], NARROW_DESK], path)))
      }
    } finally {
      await readIn(yard, 'metric')
    }
    expect(found).toEqual([])
  })

  for (const { of, views, isLong, file } of INSTALLATIONS.filter((one) => units === 'metric' || one.isLong))
    test(`${of.source}, ${units}`, async ({ yard }) => {
      test.setTimeout(300_000)
      const found: string[] = []
      const look = async (name: string) =>
        void found.push(...(await crossedAt(yard, isLong ? WIDTHS[units] : [WIDE, 390], name)))
      try {
        await readIn(yard, units)
        for (const { id } of STAGES) {
          await openStage(yard, of, id)
          await look(id)
          const parts = id === 'calibrate' || id === 'dial-in' ? await yard.getByRole('tab').all() : []
          for (const part of parts.slice(1)) {
            await part.click()
            await look(`${id}, ${await part.textContent()}`)
          }
          for (const view of id === 'respond' ? views : []) {
            await lookAt(yard, view)
            await look(`${id}, ${view}`)
          }
        }
        if (file !== undefined) {
          await openStage(yard, of, 'readings')
          await expect(yard.getByText(/lowest \d/).first()).toBeVisible()
          await look('readings')
          await openStage(yard, of, 'rehearse')
          await yard.getByRole('combobox', { name: 'what to rehearse' }).click()
          await yard.getByRole('option', { name: file }).click()
          await expect(yard.getByText(/readings in/)).toBeVisible()
          await look('readings replayed')
        }
        const path = await openStage(yard, of, 'hand-over')
        for (const paper of ['record', 'card']) {
          await yard.goto(path.replace(/installation\/([^/]+).*/, `${paper}/$1`))
          await expect(yard.getByRole('heading', { level: 1 }).first()).toBeVisible()
          await look(paper)
        }
      } finally {
        await readIn(yard, 'metric')
      }
      expect(found).toEqual([])
    })
}
