import { request, type FullConfig } from '@playwright/test'
import { DEMO_EMAIL, DEMO_PASSWORD } from '../../src/server/demoAccount'
import { startGale, type Gale } from './gale'
import { writeSites, type Site } from './site'

const FIRST_PORT = 4280

async function signedIn(gale: Gale): Promise<Site> {
  const client = await request.newContext({ baseURL: gale.url, extraHTTPHeaders: { origin: gale.url } })
  const answer = await client.post('/api/auth/sign-in/email', { data: { email: DEMO_EMAIL, password: DEMO_PASSWORD } })
  if (!answer.ok()) throw new Error(`the demo account could not sign in: ${answer.status()} ${await answer.text()}`)
  const { cookies } = await client.storageState()
  await client.dispose()
  return { url: gale.url, folder: gale.folder, cookies }
}

/** One Soft Gale with the demo for each worker, with someone signed in to it; stopped at the end of the run. One after the other: the first
 *  builds the application. */
export default async function setup({ workers }: FullConfig): Promise<() => Promise<void>> {
  const gales: Gale[] = []
  for (let worker = 0; worker < workers; worker++) gales.push(await startGale({ port: String(FIRST_PORT + worker) }))
  writeSites(await Promise.all(gales.map(signedIn)))
  return async () => void (await Promise.all(gales.map((gale) => gale.stop())))
}
