import type { Page } from '@playwright/test'
import { STAGES } from '../src/ui/stages'
import { expect, holdFiles, openStage, test } from './setup/test'

// What was drawn stays where it is: nothing moves under the finger as a page comes alive or its figures come.

/** A share of the screen that has moved, after https://web.dev/articles/cls; “good” there is below 0.1. */
const MOST_MOVED = 0.03

/** Adds up what has moved on each page that is opened. */
const watchMoves = (page: Page) =>
  page.addInitScript(`
    window.moved = []
    new PerformanceObserver((list) => {
      for (const { value, sources } of list.getEntries())
        window.moved.push({ value, what: (sources[0]?.node?.textContent ?? '').slice(0, 40) })
    }).observe({ type: 'layout-shift', buffered: true })`)

/** They are fetched with the first page; what they move there is none of this. */
const fontsAreHere = (page: Page) => page.evaluate(() => document.fonts.ready.then(() => undefined))

/** What has moved on this page once nothing is fetched any more, where it is too much. */
async function movedOn(page: Page, name: string): Promise<string[]> {
  await page.waitForLoadState('networkidle')
  const moves: { value: number; what: string }[] = await page.evaluate('window.moved')
  const sum = moves.reduce((total, { value }) => total + value, 0)
  return sum < MOST_MOVED ? [] : [`${name}: ${sum.toFixed(3)}, ${moves.map(({ what }) => `“${what}”`).join(' ')}`]
}

for (const [screen, size] of Object.entries({
  'a desk': { width: 1280, height: 800 },
  'a phone': { width: 390, height: 844 },
}))
  test(`nothing moves as a page comes alive, on ${screen}`, async ({ yard }) => {
    await yard.setViewportSize(size)
    await yard.goto('/yard')
    await fontsAreHere(yard)
    await watchMoves(yard)
    const moved: string[] = []
    for (const path of ['/yard', '/controllers', '/sums', '/log', '/account', '/people']) {
      await yard.goto(path)
      moved.push(...(await movedOn(yard, path)))
    }
    for (const { id } of STAGES) {
      await openStage(yard, /Fruiting room/, id)
      if (id === 'rehearse') await expect(yard.getByText(/steps of \d+ s in/)).toBeVisible()
      moved.push(...(await movedOn(yard, id)))
    }
    expect(moved).toEqual([])
  })

test('a yard that was scrolled before it came alive stays where it is', async ({ yard }) => {
  await yard.setViewportSize({ width: 390, height: 844 })
  const comeAlive = await holdFiles(yard)
  await yard.goto('/yard', { waitUntil: 'commit' })
  const outage = yard.getByRole('region', { name: 'Wherry Lane Yard' }).getByRole('link', { name: 'After an outage' })
  await outage.scrollIntoViewIfNeeded()
  await fontsAreHere(yard)
  const before = { at: await outage.boundingBox(), scrolledPx: await yard.evaluate(() => window.scrollY) }
  expect(before.scrolledPx).toBeGreaterThan(0)
  comeAlive()
  await expect(yard.getByRole('button', { name: 'Take Wherry Lane Yard along' })).toBeVisible()
  expect({ at: await outage.boundingBox(), scrolledPx: await yard.evaluate(() => window.scrollY) }).toEqual(before)
})
