import { devices } from '@playwright/test'
import { expect, expectKept, openStage, test } from './setup/test'

test.use({
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  userAgent: devices['Pixel 7'].userAgent,
})

test('a check is carried out with a thumb: steps, plus and minus, verdict, keep', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'prove')
  await expectKept(yard)
  expect(await yard.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
  await yard.getByRole('button', { name: /^Read the speed at two places of the room temperature ramp/ }).tap()
  const temp = yard.getByRole('textbox', { name: /^room temperature read/ })
  // What is to be measured is never there before it was.
  await expect(temp).toHaveValue('')
  await expect(yard.getByRole('button', { name: 'room temperature read: more' })).toBeDisabled()
  expect(await temp.getAttribute('inputmode')).toBe('decimal')
  await temp.fill('17.2')
  const more = yard.getByRole('button', { name: 'room temperature read: more' })
  const size = (await more.boundingBox())!
  expect(Math.min(size.width, size.height)).toBeGreaterThanOrEqual(60)
  await more.tap()
  await expect(temp).toHaveValue('17.3')
  await yard.getByRole('textbox', { name: /^humidity read/ }).fill('84')
  await yard.getByRole('textbox', { name: /^make-up read/ }).fill('35')
  const exhaust = yard.getByRole('textbox', { name: /^exhaust read/ })
  await exhaust.fill('45')
  await yard.getByRole('button', { name: 'Next step' }).tap()
  await temp.fill('18.8')
  await yard.getByRole('textbox', { name: /^humidity read/ }).fill('84')
  await yard.getByRole('textbox', { name: /^make-up read/ }).fill('55')
  await exhaust.fill('90')
  await expect(yard.getByText('Fails.')).toBeVisible()
  await exhaust.fill('70')
  await expect(yard.getByText('Passes.')).toBeVisible()
  await yard.getByText('What is allowed, in its parts').tap()
  await expect(yard.getByText('Glass-rod reference ± 0.15 K').first()).toBeVisible()
  await expect(exhaust).toHaveValue('70')
  expect(await exhaust.evaluate((field) => field.scrollWidth <= field.clientWidth)).toBe(true)
  const keep = yard.getByRole('button', { name: 'Keep and next' }).first()
  expect((await keep.boundingBox())!.height).toBeGreaterThanOrEqual(56)
  await keep.tap()
  await expect(yard.getByText('Check 5 of 13')).toBeVisible()
})
