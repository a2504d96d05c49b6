import { auth } from '@/server/auth'
import { readBody } from '@/server/body'
import { isKnownHost } from '@/server/hosts'

/** Nothing that signs in is longer. */
const LARGEST_BYTES = 20_000

/** Signing in and out: only under a name of this server, and only what is short enough to be that. Whoever asks is a stranger yet. */
async function answer(request: Request): Promise<Response> {
  if (!isKnownHost(request.headers.get('host')))
    return new Response('This server is not known by that name.', { status: 421 })
  if (request.method === 'GET') return auth().handler(request)
  const body = await readBody(request, LARGEST_BYTES)
  if (body.kind === 'too-long') return new Response('This is longer than anything that signs in.', { status: 413 })
  const { url, headers, method } = request
  return auth().handler(new Request(url, { method, headers, body: JSON.stringify(body.json ?? {}) }))
}

export const GET = answer
export const POST = answer
