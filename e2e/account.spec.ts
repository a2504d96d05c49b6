import { expectRefused, followLetter, openLetter, PASSWORD, signIn, signUp, totp } from './setup/account'
import { expect, expectNoAxeFindings, test } from './setup/test'

const EMAIL = 'bryn@account.example'
const NEW_PASSWORD = 'seven damp herons'

test('an account from its first letter to its end', async ({ page, browser, baseURL }) => {
  test.setTimeout(180_000)
  await page.goto('/sign-in')
  await signUp(page, 'Bryn Holm', EMAIL)
  await page.waitForURL('**/yard')

  await test.step('signing up again with the same address answers the same, and changes nothing', async () => {
    const stranger = await browser.newPage({ baseURL })
    await stranger.goto('/sign-in')
    await stranger.getByRole('button', { name: 'New here: make a workspace of your own' }).click()
    await stranger.getByRole('textbox', { name: 'Your name' }).fill('Not Bryn')
    await stranger.getByRole('textbox', { name: 'E-mail' }).fill(EMAIL)
    await stranger.getByRole('textbox', { name: 'Password' }).fill('another long one')
    await stranger.getByRole('button', { name: 'Make my workspace' }).click()
    await expect(stranger.getByRole('status')).toContainText('A letter with a link is on its way')
    await signIn(stranger, EMAIL, 'another long one')
    await expectRefused(stranger, 'This e-mail and password do not belong together.')
    await stranger.close()
  })

  await test.step('a password that is guessed first is refused; another ends the other sessions', async () => {
    const elsewhere = await browser.newPage({ baseURL })
    await signIn(elsewhere, EMAIL)
    await elsewhere.waitForURL('**/yard')
    await page.goto('/account')
    await expectNoAxeFindings(page)
    const form = page.getByRole('region', { name: 'Password' })
    const change = async (next: string) => {
      await form.getByRole('textbox', { name: 'Password now' }).fill(PASSWORD)
      await form.getByRole('textbox', { name: /^New password/ }).fill(next)
      await form.getByRole('button', { name: 'Change' }).click()
    }
    await change('qwertyuiop')
    await expectRefused(page, 'among those that are guessed first')
    await change(NEW_PASSWORD)
    await expect(page.getByText('The password is changed; every other session is ended.')).toBeVisible()
    await elsewhere.goto('/yard')
    await elsewhere.waitForURL('**/sign-in')
    await elsewhere.close()
  })

  await test.step('a second factor is asked for', async () => {
    await page.reload()
    const section = page.getByRole('region', { name: 'Second factor' })
    await section.getByRole('textbox', { name: 'Password, to turn it on' }).fill(NEW_PASSWORD)
    await section.getByRole('button', { name: 'Turn it on' }).click()
    const output = (await section.getByText(/or type in/).textContent()) ?? ''
    const secret = /type in ([A-Z2-7]+)/.exec(output)?.[1] ?? ''
    await section.getByRole('textbox', { name: 'Code it shows now' }).fill(totp(secret))
    await section.getByRole('button', { name: 'That is my code' }).click()
    await expect(section.getByText('It is on')).toBeVisible()
    const again = await browser.newPage({ baseURL })
    await signIn(again, EMAIL, NEW_PASSWORD)
    await again.getByRole('textbox', { name: /second factor/ }).fill('000000')
    await again.getByRole('button', { name: 'Go on' }).click()
    await expectRefused(again, /./)
    await again.getByRole('textbox', { name: /second factor/ }).fill(totp(secret))
    await again.getByRole('button', { name: 'Go on' }).click()
    await again.waitForURL('**/yard')
    await again.close()
  })

  await test.step('everything of mine is exported, without secrets', async () => {
    const mine = await (await page.request.get('/api/me')).text()
    expect(JSON.parse(mine)).toMatchObject({ name: 'Bryn Holm', email: EMAIL, yards: [{ role: 'owner' }] })
    expect(mine).not.toMatch(/token|secret|password/i)
  })

  await test.step('a forgotten password is set anew by letter', async () => {
    const forgetful = await browser.newPage({ baseURL })
    await forgetful.goto('/sign-in')
    await forgetful.getByRole('button', { name: 'I have forgotten my password' }).click()
    await forgetful.getByRole('textbox', { name: 'E-mail' }).fill(EMAIL)
    await forgetful.getByRole('button', { name: 'Send me a letter' }).click()
    await openLetter(forgetful, EMAIL)
    await forgetful.getByRole('textbox', { name: 'New password' }).fill(PASSWORD)
    await forgetful.getByRole('button', { name: 'Set it' }).click()
    await expect(forgetful.getByRole('status')).toContainText('every session of this account is ended')
    await forgetful.close()
    await page.goto('/yard')
    await page.waitForURL('**/sign-in')
  })
})

test('another address counts once its own letter and one to the old address were opened', async ({ page }) => {
  const [before, after] = ['old@moved.example', 'new@moved.example']
  await page.goto('/sign-in')
  await signUp(page, 'Moved House', before)
  await page.waitForURL('**/yard')
  await page.goto('/account')
  const section = page.getByRole('region', { name: 'Address' })
  await section.getByRole('textbox', { name: 'E-mail' }).fill(after)
  await section.getByRole('button', { name: 'Change' }).click()
  await expect(page.getByText(`A letter went to ${before}: open its link`)).toBeVisible()
  for (const address of [before, after]) {
    await page.goto('/account')
    await expect(section.getByRole('textbox', { name: 'E-mail' })).toHaveValue(before)
    await page.goto('/letters')
    await followLetter(page, address)
    await page.waitForURL('**/account*')
  }
  await page.goto('/account')
  await expect(section.getByRole('textbox', { name: 'E-mail' })).toHaveValue(after)
  await page.context().clearCookies()
  await signIn(page, before)
  await expectRefused(page, 'do not belong together')
  await signIn(page, after)
  await page.waitForURL('**/yard')
})

test('guessing is stopped by account, whatever address it says it comes from', async ({ request }) => {
  const statuses: number[] = []
  for (let attempt = 0; attempt < 12; attempt++)
    statuses.push(
      (
        await request.post('/api/auth/sign-in/email', {
          data: { email: 'nobody@guess.example', password: `wrong number ${attempt}` },
          headers: { 'x-forwarded-for': `10.1.1.${attempt}`, 'x-gale-address': `10.1.2.${attempt}` },
        })
      ).status(),
    )
  expect(statuses.slice(0, 10)).toEqual(Array<number>(10).fill(401))
  expect(statuses.slice(10)).toEqual([429, 429])
})

test('an account is deleted with its sessions', async ({ page }) => {
  await page.goto('/sign-in')
  await signUp(page, 'Short Stay', 'short@stay.example')
  await page.waitForURL('**/yard')
  await page.goto('/account')
  const section = page.getByRole('region', { name: 'Delete the account' })
  await section.getByRole('textbox').fill('not my password')
  await section.getByRole('button').click()
  await expectRefused(page, /password/i)
  await section.getByRole('textbox').fill(PASSWORD)
  await section.getByRole('button').click()
  await page.waitForURL('**/sign-in')
  await signIn(page, 'short@stay.example')
  await expectRefused(page, 'do not belong together')
})

test('before a page answers, nothing typed goes into an address', async ({ browser, baseURL }) => {
  const early = await browser.newPage({ baseURL, javaScriptEnabled: false })
  for (const path of ['/sign-in', '/reset?token=none']) {
    await early.goto(path)
    const password = early.getByRole('textbox', { name: /password/i })
    await password.fill('spoken too early')
    await password.press('Enter')
    await expect(early.locator('form button:enabled:not([type=button])').filter({ hasNotText: 'demo' })).toHaveCount(0)
    expect(early.url()).toBe(`${baseURL}${path}`)
  }
  await early.close()
})

test('how a screen is to be is kept with the person', async ({ page, browser, baseURL }) => {
  await page.goto('/sign-in')
  await signUp(page, 'Left Hand', 'left@account.example')
  await page.waitForURL('**/yard')
  const usualPx = await page.evaluate(() => parseFloat(getComputedStyle(document.documentElement).fontSize))
  await page.goto('/account')
  const screen = page.getByRole('region', { name: 'Screen' })
  for (const [what, option] of [
    ['size of text', 'larger still'],
    ['hand on a phone', 'the left'],
    ['what stands before decimals', 'a comma: 18,5'],
  ] as const) {
    await screen.getByRole('combobox', { name: what }).click()
    await page.getByRole('option', { name: option }).click()
    await expect(screen.getByRole('combobox', { name: what })).toHaveText(option)
  }
  const elsewhere = await browser.newPage({ baseURL })
  await signIn(elsewhere, 'left@account.example')
  await elsewhere.waitForURL('**/yard')
  await expect
    .poll(() => elsewhere.evaluate(() => parseFloat(getComputedStyle(document.documentElement).fontSize)))
    .toBeCloseTo(usualPx * 1.3, 1)

  await elsewhere.goto('/sums?sum=cold-surface')
  const air = elsewhere.getByRole('textbox', { name: /^air temperature/ })
  await expect(air).toHaveValue('20,0')
  await air.fill('21,5')
  const result = elsewhere.getByRole('region', { name: /^Result/ })
  await expect(result).toContainText(/dew point\s*\d+,\d °C/)
  expect(await result.innerText()).not.toMatch(/\d\.\d/)
  await elsewhere.close()
})
