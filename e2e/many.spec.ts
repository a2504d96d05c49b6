import { signUp } from './setup/account'
import { makeInstallation } from './setup/installation'
import { expect, test } from './setup/test'

const MANY = 70

/** As many copies as are wanted, by the address a browser sends them to. */
test('a yard of many: rows are fetched as they come into view, walked by arrows, and their columns chosen', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await page.goto('/sign-in')
  await signUp(page, 'Many Fans', 'many@fans.example')
  await page.waitForURL('**/yard')
  await makeInstallation(page, 'Fan', 'exhaust', 'Brief')
  const id = page.url().split('/').at(-2)!
  const zip = await (await page.request.get(`/api/installation/${id}/zip`)).body()
  const origin = new URL(page.url()).origin
  for (let copy = 1; copy < MANY; copy++) {
    const answer = await page.request.post('/api/installation', { data: zip, headers: { origin } })
    expect(answer.ok()).toBe(true)
  }
  await page.goto('/yard')
  await expect(page.getByText(`${MANY} installations`)).toBeVisible()
  const rows = page.locator('a.row')
  expect(await rows.count()).toBeLessThan(MANY)
  await rows.first().focus()
  for (let step = 1; step < MANY; step++) {
    await page.keyboard.press('ArrowDown')
    await expect(page.locator(`[data-index="${step}"] a.row`)).toBeFocused()
  }
  await page.keyboard.press('Enter')
  await page.waitForURL('**/respond')

  await page.goto('/yard')
  await page.getByRole('button', { name: 'Columns' }).click()
  await page.getByRole('menuitemcheckbox', { name: 'Gives' }).click()
  await page.keyboard.press('Escape')
  await expect(page.locator('a.row .gives')).toHaveCount(0)
  await page.reload()
  await expect(rows.first()).toBeVisible()
  await expect(page.locator('a.row .gives')).toHaveCount(0)
})
