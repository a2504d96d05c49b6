import { expect, openStage, test } from './setup/test'

test.beforeEach(async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'rehearse')
})

test('the demo readings are replayed', async ({ yard }) => {
  await yard.getByRole('combobox', { name: 'readings to replay' }).click()
  await yard.getByRole('option', { name: 'fruiting-room-9-nov.csv' }).click()
  await expect(yard.getByText(/^2880 readings in/)).toBeVisible()
  await expect(yard.getByRole('img', { name: 'exhaust, % over time' })).toBeVisible()
})

test('which rule was active when is shown over the same time, with how long each was', async ({ yard }) => {
  await expect(yard.getByRole('img', { name: /^Which rule was active over time: .* ramp \d+/ })).toBeVisible()
  const shares = await yard
    .getByRole('listitem')
    .filter({ hasText: /(ramp|switch|speed) [\d.]+ %$/ })
    .allTextContents()
  const total = shares.reduce((sum, text) => sum + Number(/([\d.]+) %$/.exec(text)?.[1]), 0)
  expect(total).toBeGreaterThan(98)
  expect(total).toBeLessThan(102)
})
