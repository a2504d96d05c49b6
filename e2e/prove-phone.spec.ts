import { devices } from '@playwright/test'
import { expect, expectKept, openStage, test } from './setup/test'

test.use({
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  userAgent: devices['Pixel 7'].userAgent,
})

test('a check is carried out with a thumb: plus and minus, verdict, keep', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'prove')
  await expectKept(yard)
  expect(await yard.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
  await yard.getByRole('button', { name: /Bring room temperature to 18.0 °C/ }).tap()
  const more = yard.getByRole('button', { name: 'room temperature read: more' })
  const size = (await more.boundingBox())!
  expect(Math.min(size.width, size.height)).toBeGreaterThanOrEqual(60)
  for (let tap = 0; tap < 6; tap++) await more.tap()
  await expect(yard.getByRole('textbox', { name: /^room temperature read/ })).toHaveValue('18.6')
  await expect(yard.getByText('expected 65 here')).toBeVisible()
  const exhaust = yard.getByRole('button', { name: 'exhaust read: more' })
  await exhaust.tap()
  await expect(yard.getByText('Holds. exhaust 0 points off')).toBeVisible()
  for (let tap = 0; tap < 8; tap++) await exhaust.tap()
  await expect(yard.getByText('Fails.')).toBeVisible()
  for (let tap = 0; tap < 8; tap++) await yard.getByRole('button', { name: 'exhaust read: less' }).tap()
  const keep = yard.getByRole('button', { name: 'Keep and next' }).first()
  expect((await keep.boundingBox())!.height).toBeGreaterThanOrEqual(56)
  await keep.tap()
  await expect(yard.getByText('Check 4 of 12')).toBeVisible()
})
