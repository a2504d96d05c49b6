import { readdirSync, readFileSync } from 'node:fs'
import { request } from 'node:https'
import { expect, test } from '@playwright/test'
import { startGale } from './setup/gale'

test('over TLS of its own authority: cookies are for TLS only, the demo is closed, letters are not shown', async ({
  browser,
}) => {
  test.setTimeout(120_000)
  const url = 'https://localhost:4580'
  const gale = await startGale({ args: ['--host', '0.0.0.0', '--url', url] })
  const { folder } = gale
  try {
    expect(gale.output()).toMatch(/The demo is closed/)
    const ca = readFileSync(`${folder}/authority/authority.crt`)
    const ask = (path: string) =>
      new Promise<{ status: number; headers: Record<string, unknown> }>((resolve, reject) => {
        const sent = request(url + path, { ca }, (answer) => {
          answer.resume()
          answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers }))
        })
        sent.on('error', reject)
        sent.end()
      })
    // Vouched for: with the authority’s certificate there is no warning.
    expect((await ask('/api/health')).status).toBe(200)
    expect((await ask('/letters')).status).toBe(404)
    expect((await ask('/sign-in')).headers['strict-transport-security']).toBeUndefined()

    const context = await browser.newContext({ ignoreHTTPSErrors: true, baseURL: url })
    const page = await context.newPage()
    await page.goto('/sign-in')
    await expect(page.getByRole('button', { name: 'Open the demo yard' })).toHaveCount(0)
    await expect(page.getByRole('button', { name: 'Sign in with a passkey' })).toBeVisible()
    const answer = await page.request.post('/api/auth/sign-in/email', {
      data: { email: 'imke@wherry-lane.example', password: 'lakeside-demo' },
      headers: { origin: url },
    })
    expect(answer.status()).toBe(403)
    // Only what a letter confirms signs in, and its session goes over TLS alone.
    await page.request.post('/api/auth/sign-up/email', {
      data: { name: 'Wren Low', email: 'wren@low.example', password: 'four grey geese', callbackURL: '/yard' },
      headers: { origin: url },
    })
    const [letter] = readdirSync(`${folder}/mail`).filter((file) => file.endsWith('.json'))
    const { text } = JSON.parse(readFileSync(`${folder}/mail/${letter}`, 'utf8')) as { text: string }
    await page.goto(/https:\S+/.exec(text)?.[0] ?? '')
    await page.waitForURL('**/yard')
    const cookies = await context.cookies()
    expect(cookies.length).toBeGreaterThan(0)
    expect(cookies.every(({ secure, httpOnly }) => secure && httpOnly)).toBe(true)
    await page.goto('/phone')
    await expect(page.getByRole('img', { name: `QR code of ${url}` })).toBeVisible()
    expect(await (await page.request.get('/api/authority')).text()).toBe(ca.toString())
    await context.close()
  } finally {
    await gale.stop()
  }
})
