import 'server-only'
import type { Scope } from '@/db/client'
import { isDatabaseGone } from '@/db/client'
import { isOwnOrigin } from '@/server/hosts'
import { answering, type Result } from '@/server/result'
import { signed } from '@/server/scope'

const STATUS: Record<Result['kind'], number> = {
  done: 200,
  invalid: 422,
  behind: 409,
  unknown: 404,
  'signed-out': 401,
  unavailable: 503,
}

/** Runs a command for whoever is signed in; a stranger and a lost database get their own answers. */
export async function asSigned<T>(work: (scope: Scope) => Promise<Result<T>>): Promise<Result<T>> {
  return answering(async () => {
    const who = await signed()
    return who ? work(who.scope) : { kind: 'signed-out' }
  })
}

/** The same, as an HTTP answer. */
export async function respond<T>(work: (scope: Scope) => Promise<Result<T>>): Promise<Response> {
  const result = await asSigned(work)
  return Response.json(result, { status: STATUS[result.kind] })
}

/** The same for a request that changes something: only a page of ours may send it. */
export function respondToChange<T>(
  { headers }: Request,
  work: (scope: Scope) => Promise<Result<T>>,
): Promise<Response> | Response {
  return isOwnOrigin(headers) ? respond(work) : new Response('Only a page of this server may do that.', { status: 403 })
}

/** The scope of a request that is answered with something other than a result; otherwise the answer to give. */
export async function scopeOrResponse(): Promise<Scope | Response> {
  try {
    const who = await signed()
    return who ? who.scope : new Response('Sign in first.', { status: 401 })
  } catch (error) {
    if (isDatabaseGone(error))
      return new Response('The database cannot be reached; nothing was lost. Try again in a moment.', { status: 503 })
    throw error
  }
}
