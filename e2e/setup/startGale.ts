import { request } from '@playwright/test'
import { DEMO_EMAIL, DEMO_PASSWORD } from '../../src/server/demoAccount'
import { startGale } from './gale'

/** One Soft Gale with the demo for the whole run, with someone signed in to it; stopped at its end. */
export default async function setup(): Promise<() => Promise<void>> {
  const gale = await startGale()
  process.env.GALE_E2E_URL = gale.url
  process.env.GALE_E2E_FOLDER = gale.folder
  const client = await request.newContext({ baseURL: gale.url, extraHTTPHeaders: { origin: gale.url } })
  const answer = await client.post('/api/auth/sign-in/email', { data: { email: DEMO_EMAIL, password: DEMO_PASSWORD } })
  if (!answer.ok()) throw new Error(`the demo account could not sign in: ${answer.status()} ${await answer.text()}`)
  process.env.GALE_E2E_COOKIES = JSON.stringify((await client.storageState()).cookies)
  await client.dispose()
  return gale.stop
}
