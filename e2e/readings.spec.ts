import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { runningOf } from './setup/gale'
import { ownSite } from './setup/site'
import { expect, openStage, test } from './setup/test'

const minute = (index: number) => new Date(Date.UTC(2025, 0, 1) + index * 30_000).toISOString().slice(0, 19)
const csv = (lines: number) =>
  `time,temperature (°C)\n${Array.from({ length: lines }, (_, index) => `${minute(index)},${(18 + 3 * Math.sin(index / 230)).toFixed(2)}`).join('\n')}\n`
const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
const choose = (page: Page, chosen: Parameters<ReturnType<Page['getByLabel']>['setInputFiles']>[0]) =>
  page.getByLabel('Readings file', { exact: true }).setInputFiles(chosen)

test.beforeEach(async ({ yard }) => {
  await openStage(yard, /Kiln room/, 'readings')
})

test('what is found in a file is shown, corrected, imported, looked at closer, and taken out again', async ({
  yard,
}) => {
  await choose(
    yard,
    file(
      'attic.csv',
      'Logger 7\nDatum;Uhrzeit;Temp;rH %\n05/11/2026;10:00;64,4;91\n05/11/2026;10:01;68,0;92\n05/11/2026;10:02;66,2;90\n',
    ),
  )
  const dialog = yard.getByRole('dialog')
  await expect(dialog.getByText('Day and month could be either way round.')).toBeVisible()
  await dialog.getByRole('combobox', { name: 'unit of Temp' }).click()
  await yard.getByRole('option', { name: '°F' }).click()
  await expect(dialog.getByRole('cell', { name: '18.0 °C' })).toBeVisible()
  await dialog.getByRole('combobox', { name: 'order of the date' }).click()
  await yard.getByRole('option', { name: 'month / day / year' }).click()
  await expect(dialog.getByRole('cell', { name: '11 May 2026 10:00' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Import it' }).click()
  await expect(yard.getByText('attic.csv: 3 lines imported.')).toBeVisible()
  await expect(yard.getByText('Temp · lowest 18.0 °C, highest 20.0 °C')).toBeVisible()

  await yard.getByRole('button', { name: 'Closer' }).click()
  await expect(yard.getByRole('status').filter({ hasText: 'Draw across a chart' })).toContainText('11 May 2026 10:00')
  await yard.getByRole('button', { name: 'All of it' }).click()
  const download = yard.waitForEvent('download')
  await yard.getByRole('link', { name: 'Take it out as CSV' }).click()
  expect(readFileSync(await (await download).path(), 'utf8')).toBe(
    'time,temperature (°C),relative humidity (%RH)\n2026-05-11 10:00:00,18,91\n2026-05-11 10:01:00,20,92\n2026-05-11 10:02:00,19,90\n',
  )
})

test('a million lines come in while the page answers; their memory stays small; another is stopped', async ({
  yard,
}) => {
  test.setTimeout(300_000)
  const { importer } = runningOf(ownSite()?.folder ?? '')
  // The most it ever held, as the kernel counts it.
  const mostMb = () => Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${importer}/status`, 'utf8'))?.[1]) / 1024
  const { writeFileSync } = await import('node:fs')
  const path = test.info().outputPath('year.csv')
  writeFileSync(path, csv(1_000_000))
  await choose(yard, path)
  await yard.getByRole('dialog').getByRole('button', { name: 'Import it' }).click()
  await expect(yard.getByRole('progressbar', { name: 'Importing year.csv' })).toBeVisible({ timeout: 60_000 })
  // Other work goes on meanwhile, and the import goes on without its page.
  await yard.getByRole('link', { name: /^Kit/ }).click()
  await expect(yard.getByText('Which controller?').first()).toBeVisible()
  await yard.goBack()
  await expect(yard.getByText('year.csv: 1,000,000 lines imported.')).toBeVisible({ timeout: 200_000 })
  expect(mostMb()).toBeLessThan(300)

  await choose(yard, path)
  await yard.getByRole('dialog').getByRole('button', { name: 'Import it' }).click()
  await yard.getByRole('button', { name: 'Stop importing year.csv' }).click({ timeout: 60_000 })
  await expect(yard.getByText('year.csv: stopped; nothing of it was kept.')).toBeVisible({ timeout: 30_000 })
})

test('a bad line far down is named, and nothing of the file is kept', async ({ yard }) => {
  await choose(yard, file('bad.csv', `${csv(6000)}2025-01-01 00:00,18\n`))
  await yard.getByRole('dialog').getByRole('button', { name: 'Import it' }).click()
  await expect(yard.getByRole('alert').filter({ hasText: 'line 6002: the time goes back' })).toContainText(
    'Nothing of the file was kept.',
  )
})

test('a file that is no readings file is refused before it is sent', async ({ yard }) => {
  await choose(yard, file('bad.csv', 'when,reading\nnow,3\n'))
  await expect(yard.getByRole('alert').filter({ hasText: 'No column is headed “time”' })).toBeVisible()
})

test('a file of 200 MB is refused before it is sent', async ({ yard }, testInfo) => {
  const { createWriteStream } = await import('node:fs')
  const path = testInfo.outputPath('huge.csv')
  const out = createWriteStream(path)
  const block = csv(20_000).repeat(9)
  for (let written = 0; written < 200e6; written += block.length)
    if (!out.write(block)) await new Promise<void>((resolve) => out.once('drain', () => resolve()))
  await new Promise<void>((resolve) => out.end(() => resolve()))
  await choose(yard, path)
  await expect(yard.getByRole('alert').filter({ hasText: 'the most is 64. Cut it by month' })).toBeVisible()
})
