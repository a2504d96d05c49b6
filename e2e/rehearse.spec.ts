import { expect, openStage, test } from './setup/test'

const minute = (index: number) => new Date(Date.UTC(2026, 0, 1) + index * 60000).toISOString().slice(0, 19)
const csv = (lines: number) =>
  `time,temperature (°C)\n${Array.from({ length: lines }, (_, index) => `${minute(index)},${(18 + 3 * Math.sin(index / 230)).toFixed(2)}`).join('\n')}\n`
const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

test.beforeEach(async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'rehearse')
})

test('the demo readings are replayed', async ({ yard }) => {
  await yard.getByRole('combobox', { name: 'readings to replay' }).click()
  await yard.getByRole('option', { name: 'fruiting-room-9-nov.csv' }).click()
  await expect(yard.getByText(/^2880 readings in/)).toBeVisible()
  await expect(yard.getByRole('img', { name: 'exhaust, % over time' })).toBeVisible()
})

test('100,000 lines are imported and replayed, and the page answers meanwhile', async ({ yard }) => {
  await yard.getByLabel('Readings file').setInputFiles(file('long.csv', csv(100_000)))
  await yard.getByRole('button', { name: /Imke Marsh/ }).click()
  await yard.getByRole('menuitem', { name: 'Light', exact: true }).click()
  await expect(yard.getByText('100,000 lines imported.')).toBeVisible({ timeout: 30_000 })
  await expect(yard.getByText(/^100000 readings in/)).toBeVisible({ timeout: 30_000 })
})

for (const { name, text, said } of [
  { name: 'no temperature', text: 'time,volts\n2026-11-09 10:00,3\n', said: 'No column is headed “temperature”' },
  {
    name: 'time going back',
    text: 'time,temp\n2026-11-09 10:00,18\n2026-11-09 09:00,18\n',
    said: 'line 3: the time goes back, behind line 2.',
  },
  {
    name: 'mixed decimal marks',
    text: 'time;temp\n2026-11-09 10:00;18,1\n2026-11-09 10:01;18.1\n',
    said: 'line 3: temp has “.” where earlier lines have “,”',
  },
])
  test(`a file with ${name} is refused by its line, and nothing of it is kept`, async ({ yard }) => {
    await yard.getByLabel('Readings file').setInputFiles(file('bad.csv', text))
    await expect(yard.getByRole('alert').filter({ hasText: said })).toBeVisible()
    await expect(yard.getByRole('alert').filter({ hasText: 'Nothing of the file was kept.' })).toBeVisible()
  })

test('a file of 200 MB is refused before it is sent', async ({ yard }, testInfo) => {
  const { createWriteStream } = await import('node:fs')
  const path = testInfo.outputPath('huge.csv')
  const out = createWriteStream(path)
  const block = csv(20_000).repeat(9)
  for (let written = 0; written < 200e6; written += block.length)
    if (!out.write(block)) await new Promise<void>((resolve) => out.once('drain', () => resolve()))
  await new Promise<void>((resolve) => out.end(() => resolve()))
  await yard.getByLabel('Readings file').setInputFiles(path)
  await expect(yard.getByRole('alert').filter({ hasText: 'the most is 64. Cut it by month' })).toBeVisible()
})
