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
