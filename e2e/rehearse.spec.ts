import type { Page } from '@playwright/test'
import { weatherDays, weatherText } from '../src/testing/weatherText'
import { expect, openStage, test } from './setup/test'

const DEMOS = [
  /Archive flat/,
  /Bake-house/,
  /changing rooms/i,
  /Creamery/i,
  /brooder/i,
  /Fruiting room/,
  /Inverter/i,
  /Kiln room/i,
  /Ticket-hall/i,
] as const

const measures = (page: Page) => page.getByRole('list', { name: 'measures' })
const choose = async (page: Page, name: string, option: string) => {
  await page.getByRole('combobox', { name, exact: true }).click()
  await page.getByRole('option', { name: option, exact: true }).click()
}

for (const demo of DEMOS)
  test(`${demo.source}: rehearsed, put side by side, searched, and a proposal used`, async ({ yard }) => {
    await openStage(yard, demo, 'rehearse')
    // Rehearsed: steps that were run, what it comes to, and why at a worst moment.
    await expect(yard.getByText(/^8640 steps of 10 s in/)).toBeVisible()
    await expect(measures(yard).getByRole('listitem').first()).toContainText(/\d/)
    await measures(yard).getByRole('button').first().click()
    await expect(yard.getByText(/^(Mon|Tue|Wed|Thu|Fri|Sat|Sun) \d\d:\d\d/).first()).toBeVisible()

    // Side by side.
    await yard.getByRole('button', { name: 'Side by side' }).click()
    const table = yard.getByRole('table', { name: 'measures side by side' })
    await expect(table.getByRole('columnheader')).not.toHaveCount(1)
    await expect(table.getByRole('row').nth(1)).toContainText(/\d/)
    await yard.getByRole('button', { name: 'Back to one' }).click()

    // Better settings, of few tries; a proposal is one edit, and undo brings one’s own back.
    await yard.getByRole('button', { name: 'Better settings…' }).click()
    await yard.getByRole('textbox', { name: /^settings to try/ }).fill('40')
    await yard.getByRole('button', { name: 'Look for better' }).click()
    await expect(yard.getByRole('status').filter({ hasText: /on the front|free at least one/ })).toBeVisible({
      timeout: 60_000,
    })
    const use = yard.getByRole('button', { name: 'Use it', exact: true })
    if (await use.isVisible()) {
      await use.click()
      await yard.getByRole('button', { name: 'Undo', exact: true }).click()
      await expect(yard.getByRole('button', { name: 'Redo', exact: true })).toBeEnabled()
    }
  })

test('an outage at the worst hour is shown, counted, explained and kept for the record', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'rehearse')
  await choose(yard, 'what to rehearse', 'power cut')
  const past = measures(yard)
    .getByRole('listitem')
    .filter({ hasText: /Past the limit/ })
  await expect(past).toContainText('fails')
  await past.getByRole('button').click()
  await expect(yard.getByText(/Meanwhile: power cut|Room temperature/).first()).toBeVisible()
  await yard.getByRole('button', { name: 'Keep for the record' }).click()
  await expect(yard.getByRole('button', { name: 'Kept for the record' })).toBeDisabled()
  await expect(yard.getByText('power cut: fails')).toBeVisible()
})

test('a week goes on showing while it is run, and its ends can be moved by keys', async ({ yard }) => {
  await openStage(yard, /Kiln room/i, 'rehearse')
  await choose(yard, 'for how long', 'a week')
  await expect(yard.getByText(/^60480 steps of 10 s in/)).toBeVisible()
  const end = yard.getByRole('slider', { name: 'shown to' })
  const before = await end.getAttribute('aria-valuetext')
  await end.focus()
  await end.press('PageDown')
  await expect(end).not.toHaveAttribute('aria-valuetext', before ?? '')
})

test('a day is painted from one that is built in, and an event put on its time line', async ({ yard }) => {
  await openStage(yard, /Kiln room/i, 'rehearse')
  await yard.getByRole('button', { name: 'Paint a day from this one' }).click()
  const noon = yard.getByRole('slider', { name: 'outdoor temperature at 12:00' })
  const before = await noon.getAttribute('aria-valuenow')
  await noon.focus()
  await noon.press('ArrowUp')
  await expect(noon).not.toHaveAttribute('aria-valuenow', before ?? '')
  await choose(yard, 'add an event', 'power cut')
  await expect(yard.getByRole('button', { name: /^take power cut at 14:00 away/ })).toBeVisible()
  await expect(yard.getByRole('combobox', { name: 'what to rehearse' })).toHaveText(/hot spell, changed/)
})

test('a weather file with bad lines and another date is used, and says both', async ({ yard }) => {
  await openStage(yard, /Kiln room/i, 'rehearse')
  await yard.getByRole('button', { name: 'Paint a day from this one' }).click()
  const lines = weatherDays(2)
  lines.splice(3, 1, 'nonsense')
  await yard
    .getByLabel('weather file')
    .setInputFiles({ name: 'quay.epw', mimeType: 'text/plain', buffer: Buffer.from(weatherText(lines)) })
  const remark = yard.getByText(/The file has no \d+ \w+; it is taken from its start/)
  await expect(remark).toContainText(/line 12: .*“nonsense”/)
  await expect(remark).toContainText('runs straight over the gap')
  await expect(yard.getByRole('slider', { name: 'outdoor temperature at 12:00' })).toHaveAttribute(
    'aria-valuenow',
    /^1\.[0-9]/,
  )
})

test('the space is learnt from a logger’s file, with how sure each figure is, and used', async ({ yard }) => {
  await openStage(yard, /Kiln room/i, 'rehearse')
  await choose(yard, 'what to rehearse', 'kiln-room-10-nov.csv')
  await yard.getByRole('button', { name: 'Learn the space' }).click()
  await expect(yard.getByText(/only predicted, within/)).toBeVisible({ timeout: 60_000 })
  await expect(
    yard.getByRole('table', { name: 'figures learnt' }).getByRole('row').filter({ hasText: 'own heat' }),
  ).toContainText(/ to .* W/)
  await yard.getByRole('button', { name: 'Use this space' }).click()
  await choose(yard, 'what to rehearse', 'hot spell')
  await expect(yard.getByText(/Learnt from kiln-room-10-nov/)).toBeVisible()
})

test('a file that cannot tell the space says so', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'rehearse')
  await choose(yard, 'what to rehearse', 'fruiting-room-9-nov.csv')
  await yard.getByRole('button', { name: 'Learn the space' }).click()
  await expect(yard.getByText(/A column with the temperature outside/)).toBeVisible()
})

test('the demo readings are replayed', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'rehearse')
  await choose(yard, 'what to rehearse', 'fruiting-room-9-nov.csv')
  await expect(yard.getByText(/^2880 readings in/)).toBeVisible()
  await expect(yard.getByRole('img', { name: 'exhaust, % over time' })).toBeVisible()
})

test('which rule was active when is shown over the same time, with how long each was', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'rehearse')
  await expect(yard.getByRole('img', { name: /^Which rule was active over time: .* ramp \d+/ })).toBeVisible()
  const shares = await yard
    .getByRole('listitem')
    .filter({ hasText: /(ramp|switch|speed) [\d.]+ %$/ })
    .allTextContents()
  const total = shares.reduce((sum, text) => sum + Number(/([\d.]+) %$/.exec(text)?.[1]), 0)
  expect(total).toBeGreaterThan(98)
  expect(total).toBeLessThan(102)
})
