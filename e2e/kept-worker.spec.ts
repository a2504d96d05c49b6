import { expect, openStage, test } from './setup/test'

test.use({ serviceWorkers: 'allow' })

test('a day is rehearsed where the browser keeps the files of the program', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'rehearse')
  await yard.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await yard.reload()
  expect(await yard.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true)
  await yard.getByRole('combobox', { name: 'what to rehearse' }).click()
  await yard.getByRole('option', { name: 'hot spell', exact: true }).click()
  await expect(yard.getByText(/steps of 10 s in/)).toBeVisible()
  await yard.getByRole('button', { name: 'Better settings…' }).click()
  await yard.getByRole('textbox', { name: /^settings to try/ }).fill('40')
  await yard.getByRole('button', { name: 'Look for better' }).click()
  await expect(yard.getByText(/on the front · seed/).first()).toBeVisible()
})
