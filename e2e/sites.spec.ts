import { makeInstallation } from './setup/installation'
import { expect, expectNoAxeFindings, test } from './setup/test'

test('a copy on another site; the site is called otherwise, and its papers are of all that stands there', async ({
  yard,
}) => {
  await makeInstallation(yard, 'Loft fan', 'exhaust', 'Hand over')
  const copying = yard.getByRole('region', { name: 'Another like it, another site' })
  await copying.getByRole('textbox', { name: 'Name of the copy' }).fill('Cellar fan')
  await copying.getByRole('button', { name: 'Duplicate' }).click()
  await yard.waitForURL('**/brief')
  await expect(yard.getByRole('heading', { name: 'Cellar fan' })).toBeVisible()

  await yard
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: /^Hand over/ })
    .click()
  await copying.getByRole('combobox', { name: 'Move to the site' }).fill('Far quay')
  await copying.getByRole('button', { name: 'Move' }).click()
  await expect(copying.getByText('It stands at Far quay now.')).toBeVisible()
  await yard.goto('/yard')
  const far = yard.getByRole('region', { name: 'Far quay' })
  await expect(far.getByRole('link', { name: /Cellar fan/ })).toBeVisible()
  await expect(yard.getByRole('region', { name: 'Trial quay' }).getByRole('link', { name: /Loft fan/ })).toBeVisible()

  await far.getByRole('link', { name: 'Site' }).click()
  await yard.getByRole('textbox', { name: 'Name of the site' }).fill('Trial quay')
  await yard.getByRole('textbox', { name: 'Getting in' }).fill('The key hangs behind the meter')
  await yard.getByRole('button', { name: 'Keep' }).click()
  await expect(yard.getByText(/Another site is called that already/)).toBeVisible()
  await yard.getByRole('textbox', { name: 'Name of the site' }).fill('Far quay, east')
  await yard.getByRole('button', { name: 'Keep' }).click()
  await expect(yard.getByRole('heading', { name: 'Far quay, east' })).toBeVisible()
  await expectNoAxeFindings(yard)
  await yard.reload()
  await expect(yard.getByRole('textbox', { name: 'Getting in' })).toHaveValue('The key hangs behind the meter')
  await yard.getByRole('link', { name: 'All cards, to print' }).click()
  await expect(yard.getByRole('heading', { name: /Cellar fan/ })).toBeVisible()
})
