import { request } from 'node:http'
import { expect, test } from './setup/test'

type Asked = { method?: string; path: string; headers?: Record<string, string>; body?: string }

/** A request as a program sends it that may name any host and any origin, which a browser may not. */
const ask = (base: string, { method = 'GET', path, headers = {}, body }: Asked) =>
  new Promise<{ status: number; location: string; cookies: string[] }>((resolve, reject) => {
    const { hostname, port } = new URL(base)
    const sent = request({ hostname, port, method, path, headers }, (answer) => {
      answer.resume()
      const { location = '', 'set-cookie': cookies = [] } = answer.headers
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, location, cookies }))
    })
    // A server that has heard enough may hang up.
    sent.on('error', reject)
    sent.end(body)
  })

const signIn = (host: string, origin = `http://${host}`): Asked => ({
  method: 'POST',
  path: '/api/auth/sign-in/email',
  headers: { host, origin, 'content-type': 'application/json' },
  body: JSON.stringify({ email: 'imke@wherry-lane.example', password: 'lakeside-demo' }),
})

test('under a name that is not ours nobody signs in, and nobody is signed in', async ({ baseURL, page, context }) => {
  const base = baseURL!
  const { host } = new URL(base)
  expect(await ask(base, signIn('evil.example'))).toMatchObject({ status: 421, cookies: [] })
  expect(await ask(base, signIn(host, 'http://evil.example'))).toMatchObject({ status: 403, cookies: [] })
  expect((await ask(base, signIn(host))).status).toBe(200)

  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Open the demo yard' }).click()
  await page.waitForURL('**/yard')
  const cookie = (await context.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
  expect((await ask(base, { path: '/yard', headers: { host, cookie } })).status).toBe(200)
  const elsewhere = await ask(base, { path: '/yard', headers: { host: 'evil.example', cookie } })
  expect(elsewhere.status).toBe(421)

  const put = (headers: Record<string, string>, body = '{}') =>
    ask(base, {
      method: 'PUT',
      path: '/api/working-copy/00000000-0000-4000-8000-000000000000',
      headers: { host, 'content-type': 'application/json', ...headers },
      body,
    })
  // Another page may not send what only ours may; a stranger is not listened to; too much is not read.
  expect((await put({ cookie, origin: 'http://evil.example' })).status).toBe(403)
  expect((await put({ origin: `http://${host}` })).status).toBe(401)
  expect((await put({ cookie, origin: `http://${host}` })).status).toBe(422)
  expect((await put({ cookie, origin: `http://${host}` }, `"${'x'.repeat(4_100_000)}"`)).status).toBe(422)
  expect((await ask(base, { ...signIn(host), body: 'x'.repeat(30_000) })).status).toBe(413)
})
