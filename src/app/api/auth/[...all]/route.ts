import { ADDRESS_HEADER } from '@/server/address'
import { auth } from '@/server/auth'
import { readBody } from '@/server/body'
import { DEMO_EMAIL } from '@/server/demoAccount'
import { isKnownHost, isOwnOrigin } from '@/server/hosts'
import { countTry, forgetTries, tooMany, type Limit } from '@/server/limits'
import { unavailable, UNAVAILABLE_SAYS } from '@/server/result'
import { isDemoOffered } from '@/server/settings'

/** Nothing that signs in is longer. */
const LARGEST_BYTES = 20_000

/** What is counted beside the address, by the end of the path: which limit, and of whose account. */
const COUNTED: Record<string, readonly Limit[]> = {
  '/sign-in/email': ['sign-in:address', 'sign-in:account'],
  '/two-factor/verify-totp': ['sign-in:address'],
  '/two-factor/verify-backup-code': ['sign-in:address'],
  '/passkey/verify-authentication': ['sign-in:address'],
  '/sign-up/email': ['sign-up:address', 'letter:account'],
  '/request-password-reset': ['letter:address', 'letter:account'],
  '/reset-password': ['sign-in:address'],
  '/send-verification-email': ['letter:address', 'letter:account'],
  '/change-email': ['letter:address'],
}

/** Signing in and out, and all that goes with it: only under a name of this server, from a page of it, only what is short enough to be that, and
 *  only so often. Whoever asks is a stranger yet. */
async function answer(request: Request): Promise<Response> {
  if (!isKnownHost(request.headers.get('host')))
    return new Response('This server is not known by that name.', { status: 421 })
  try {
    const address = request.headers.get(ADDRESS_HEADER) ?? 'unknown'
    const wait = await countTry('auth:address', address)
    if (wait !== null) return tooMany(wait)
    return request.method === 'GET' ? await auth().handler(request) : await answerChange(request, address)
  } catch (error) {
    const why = unavailable(error)?.why
    if (why === undefined) throw error
    return Response.json({ message: UNAVAILABLE_SAYS[why] }, { status: 503, headers: { 'retry-after': '2' } })
  }
}

async function answerChange(request: Request, address: string): Promise<Response> {
  const { url, headers, method } = request
  if (!isOwnOrigin(headers)) return new Response('Only a page of this server may do that.', { status: 403 })
  const body = await readBody(request, LARGEST_BYTES)
  if (body.kind === 'too-long') return new Response('This is longer than anything that signs in.', { status: 413 })
  const json = (typeof body.json === 'object' && body.json !== null ? body.json : {}) as Record<string, unknown>
  const account = typeof json.email === 'string' ? json.email : ''
  const limits = COUNTED[new URL(url).pathname.replace(/^\/api\/auth/, '')] ?? []
  for (const limit of limits) {
    const key = limit.endsWith(':account') ? account : address
    const wait = await countTry(limit, key)
    if (wait !== null) return tooMany(wait)
  }
  // The password of the demo is known to all: where others can reach the server, nobody signs in with it.
  if (account.toLowerCase() === DEMO_EMAIL && !isDemoOffered())
    return Response.json({ message: 'The demo is closed on this server.' }, { status: 403 })
  const answered = await auth().handler(new Request(url, { method, headers, body: JSON.stringify(json) }))
  if (answered.ok && limits.includes('sign-in:account')) await forgetTries('sign-in:account', account)
  return answered
}

export const GET = answer
export const POST = answer
