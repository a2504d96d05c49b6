import 'server-only'
import type { Scope } from '@/db/client'
import { addAudit } from '@/db/queries/audit'
import { isOwnOrigin } from '@/server/hosts'
import { answering, UNAVAILABLE_SAYS, type Result } from '@/server/result'
import { may, refusal, type Right } from '@/server/rights'
import { signed, type Signed } from '@/server/scope'

const STATUS: Record<Result['kind'], number> = {
  done: 200,
  invalid: 422,
  behind: 409,
  unknown: 404,
  'signed-out': 401,
  forbidden: 403,
  unavailable: 503,
}

/** Seconds after which whoever was refused may ask again. */
const RETRY_S = '2'

/** What is written into the audit when it was done. */
export type AuditedAs = {
  readonly action: string
  readonly what?: string
  readonly installationId?: unknown
  /** What the same person does to the same installation within so many minutes is written once. */
  readonly onceInMin?: number
}

/** Runs a command for whoever is signed in and may; a stranger, the wrong role and a lost database get their own answers. What changes something is
 *  written into the audit before it is answered, so that nothing acknowledged is missing there. */
export async function asSigned<T>(
  right: Right,
  audited: AuditedAs | null,
  work: (scope: Scope, who: Signed) => Promise<Result<T>>,
): Promise<Result<T>> {
  return answering(async () => {
    const who = await signed()
    if (!who) return { kind: 'signed-out' }
    if (!may(who.role, right)) return { kind: 'forbidden', text: refusal(who.role, right) }
    const result = await work(who.scope, who)
    if (audited && result.kind === 'done') await writeAudit(who, audited)
    return result
  })
}

/** Writes down what was done, by whom and from where. */
export function writeAudit(
  { scope, address }: Pick<Signed, 'scope' | 'address'>,
  { action, what = '', installationId, onceInMin }: AuditedAs,
): Promise<void> {
  const id = typeof installationId === 'string' ? installationId : null
  return addAudit(scope, { action, what: what.slice(0, 300), installationId: id, address }, onceInMin)
}

/** The same, as an HTTP answer. */
export async function respond<T>(
  right: Right,
  audited: AuditedAs | null,
  work: (scope: Scope, who: Signed) => Promise<Result<T>>,
): Promise<Response> {
  const result = await asSigned(right, audited, work)
  return Response.json(result, headOf(result))
}

const headOf = ({ kind }: Result): ResponseInit => ({
  status: STATUS[kind],
  ...(kind === 'unavailable' && { headers: { 'retry-after': RETRY_S } }),
})

/** The same for a request that changes something: only a page of ours may send it. */
export function respondToChange<T>(
  { headers }: Request,
  right: Right,
  audited: AuditedAs | null,
  work: (scope: Scope, who: Signed) => Promise<Result<T>>,
): Promise<Response> | Response {
  return isOwnOrigin(headers)
    ? respond(right, audited, work)
    : new Response('Only a page of this server may do that.', { status: 403 })
}

/** Answers a request with something other than a result: a file, a stream. Null from `work`: there is no such thing here. */
export async function respondWith(
  right: Right,
  audited: AuditedAs | null,
  work: (scope: Scope, who: Signed) => Promise<Response | null>,
): Promise<Response> {
  const result = await asSigned(right, audited, async (scope, who): Promise<Result<{ answer: Response }>> => {
    const answer = await work(scope, who)
    return answer ? { kind: 'done', answer } : { kind: 'unknown' }
  })
  return result.kind === 'done' ? result.answer : new Response(refusalText(result), headOf(result))
}

function refusalText(result: Result): string {
  if (result.kind === 'signed-out') return 'Sign in first.'
  if (result.kind === 'forbidden') return result.text
  return result.kind === 'unavailable' ? UNAVAILABLE_SAYS[result.why] : 'There is no such thing here.'
}
