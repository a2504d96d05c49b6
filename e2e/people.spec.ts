import { signUp } from './setup/account'
import { edit, expect, expectKept, expectNoAxeFindings, openStage, test } from './setup/test'
import { goToStage, makeInstallation } from './setup/installation'

test('a person invited on a second browser edits the same installation live, as far as the role goes', async ({
  yard,
  browser,
}) => {
  test.setTimeout(120_000)
  await makeInstallation(yard, 'Sluice hut', 'exhaust', 'Respond')
  const path = new URL(yard.url()).pathname
  await yard.goto('/people')
  await yard.getByRole('combobox', { name: 'As' }).click()
  await yard.getByRole('option', { name: 'apprentice' }).click()
  await yard.getByRole('button', { name: 'Make a link' }).click()
  const link = await yard.getByRole('textbox', { name: 'Link of the invitation' }).inputValue()
  await expect(yard.getByRole('img', { name: 'QR code of the invitation' })).toBeVisible()
  await expectNoAxeFindings(yard)

  const context = await browser.newContext({ baseURL: new URL(yard.url()).origin })
  const other = await context.newPage()
  await other.goto(link)
  await expect(other.getByText(/invites you to this yard as apprentice/)).toBeVisible()
  await other.getByRole('link', { name: /Sign in, or make an account/ }).click()
  await signUp(other, 'Wick Farrow', 'wick@sluice.example')
  await other.getByRole('button', { name: 'Join as Wick Farrow' }).click()
  await other.waitForURL('**/yard')

  await test.step('each sees the other, and what they keep', async () => {
    await yard.goto(path)
    await expectKept(yard)
    await other.goto(path)
    await expectKept(other)
    await expect(yard.getByRole('note', { name: 'Who else is here' })).toContainText('Wick Farrow')
    await expect(other.getByRole('note', { name: 'Who else is here' })).toContainText('Imke Marsh')
    await edit(other, /^floor/, '33')
    await expectKept(other)
    await expect(yard.getByRole('textbox', { name: /^floor/ })).toHaveValue('33')
    await expect(yard.getByText('Wick Farrow changed something; it is shown here now.')).toBeVisible()
    await edit(yard, /^floor/, '34')
    await expect(other.getByRole('textbox', { name: /^floor/ })).toHaveValue('34')
  })
  await test.step('an apprentice does not seal; a reader changes nothing', async () => {
    await goToStage(other, 'Hand over')
    await expect(other.getByText('Sealing is for technicians and owners.')).toBeVisible()
    await yard.goto('/people')
    await yard.getByRole('combobox', { name: 'Role of Wick Farrow' }).click()
    await yard.getByRole('option', { name: 'reader' }).click()
    await expect(yard.getByRole('combobox', { name: 'Role of Wick Farrow' })).toHaveText('reader')
    await other.goto(path)
    await edit(other, /^floor/, '40')
    await expect(other.getByText(/As a reader you cannot do that here/)).toBeVisible()
    await other.getByRole('button', { name: 'Show what is kept' }).click()
    await expect(other.getByRole('textbox', { name: /^floor/ })).toHaveValue('34')
  })
  await test.step('the audit says who did what, and is searched', async () => {
    await yard.getByRole('searchbox', { name: 'Search the audit' }).fill('Wick')
    await yard.getByRole('button', { name: 'Search' }).click()
    const audit = yard.getByRole('region', { name: 'Audit' })
    await expect(audit.getByRole('row', { name: /Wick Farrow changed/ })).toBeVisible()
    await expect(audit.getByRole('row', { name: /Imke Marsh invited/ })).toHaveCount(0)
  })
  await test.step('between two yards one switches; removed, one keeps one’s own', async () => {
    await other.getByRole('button', { name: /^Wick Farrow: account/ }).click()
    await other.getByRole('menuitem', { name: 'Wick Farrow’s yard' }).click()
    await expect(other.getByText('Nothing here yet.')).toBeVisible()
    expect((await other.request.get(`/api${path.replace('/respond', '/export')}`)).status()).toBe(404)
    await yard.goto('/people')
    await yard.getByRole('button', { name: 'Remove Wick Farrow' }).click()
    await expect(yard.getByRole('list', { name: 'Members' })).not.toContainText('Wick Farrow')
    await other.reload()
    await expect(other.getByRole('heading', { name: 'Wick Farrow’s yard' })).toBeVisible()
  })
  await test.step('the link is good once', async () => {
    await context.clearCookies()
    await other.goto(link)
    await expect(other.getByText('This link is used up')).toBeVisible()
  })
  await context.close()
})

test('what was made is deleted with its meaning said, and brought back; what was sealed is only archived', async ({
  yard,
}) => {
  await makeInstallation(yard, 'To be deleted', 'exhaust', 'Hand over')
  await yard.getByRole('button', { name: 'Delete this installation…' }).click()
  const sure = yard.getByRole('button', { name: 'Delete this installation', exact: true })
  await expect(sure).toBeDisabled()
  await yard.getByRole('textbox', { name: 'Its name, to delete it' }).fill('To be deleted')
  await sure.click()
  await yard.waitForURL('**/yard')
  await expect(yard.getByRole('link', { name: /To be deleted/ })).toHaveCount(0)
  await expect(yard.getByText(/Deleted; gone for good on/)).toBeVisible()
  await yard.getByRole('button', { name: 'Bring back: To be deleted' }).click()
  await expect(yard.getByRole('link', { name: /To be deleted/ })).toBeVisible()

  await openStage(yard, /Inverter/, 'hand-over')
  await expect(yard.getByText('It was sealed: it can be archived, never deleted.')).toBeVisible()
  await expect(yard.getByRole('button', { name: 'Delete this installation…' })).toHaveCount(0)
})
