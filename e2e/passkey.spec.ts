import { expect, test } from '@playwright/test'
import { startGale } from './setup/gale'

test('under a name, a passkey of the device is added and signs in', async ({ browser }) => {
  test.setTimeout(120_000)
  const url = 'http://localhost:4480'
  const gale = await startGale({ args: ['--url', url], port: '4480' })
  try {
    const context = await browser.newContext({ baseURL: url })
    const page = await context.newPage()
    // A device that says yes to whatever it is asked.
    const device = await context.newCDPSession(page)
    await device.send('WebAuthn.enable')
    await device.send('WebAuthn.addVirtualAuthenticator', {
      options: {
        protocol: 'ctap2',
        transport: 'internal',
        hasResidentKey: true,
        hasUserVerification: true,
        isUserVerified: true,
        automaticPresenceSimulation: true,
      },
    })
    await page.goto('/sign-in')
    await page.getByRole('button', { name: 'Open the demo yard' }).click()
    await page.waitForURL('**/yard')
    await page.goto('/account')
    const section = page.getByRole('region', { name: 'Passkeys' })
    await section.getByRole('button', { name: 'Add a passkey of this device' }).click()
    await expect(section.getByRole('button', { name: 'Remove passkey This device' })).toBeVisible()
    await context.clearCookies()
    await page.goto('/sign-in')
    await page.getByRole('button', { name: 'Sign in with a passkey' }).click()
    await page.waitForURL('**/yard')
    await page.goto('/account')
    await section.getByRole('button', { name: 'Remove passkey This device' }).click()
    await expect(section.getByRole('button', { name: 'Remove passkey This device' })).toHaveCount(0)
    await context.close()
  } finally {
    await gale.stop()
  }
})
