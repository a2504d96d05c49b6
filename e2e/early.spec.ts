import { makeInstallation } from './setup/installation'
import { edit, expect, expectKept, holdFiles, test } from './setup/test'

// Between what the server has drawn and what answers lies the time our files take: what stands there is right, and what is done to it counts.

test('a button pressed before the page answers is pressed', async ({ page }) => {
  const letCome = await holdFiles(page)
  await page.goto('/sign-in', { waitUntil: 'commit' })
  await page.getByRole('button', { name: 'New here: make a workspace of your own' }).click()
  letCome()
  await expect(page.getByRole('textbox', { name: 'Your name' })).toBeVisible()
})

test('an installation is drawn with its figures, and takes what is typed before it answers', async ({ yard }) => {
  await makeInstallation(yard, 'Early hut', 'exhaust', 'Respond')
  await edit(yard, /^floor/, '31')
  await expectKept(yard)
  const letCome = await holdFiles(yard)
  const floor = yard.getByRole('textbox', { name: /^floor/ })
  // Where another page was drawn just before, this one is left to the browser: the next is not.
  await expect(async () => {
    await yard.reload({ waitUntil: 'commit' })
    await expect(floor).toHaveValue('31', { timeout: 2000 })
  }).toPass()
  await expect(yard.getByRole('navigation', { name: 'Stages' })).toContainText('Hand over')
  await floor.fill('32')
  await yard.getByRole('button', { name: 'Table', exact: true }).click()
  letCome()
  await expect(yard.getByRole('button', { name: 'Chart', exact: true })).toBeVisible()
  await floor.press('Enter')
  await expectKept(yard)
  await yard.reload()
  await expect(floor).toHaveValue('32')
})
