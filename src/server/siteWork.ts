import 'server-only'
import type { Scope } from '@/db/client'
import { keepCheck } from '@/server/commands/keepCheck'
import { keepPhoto } from '@/server/commands/keepPhoto'
import { keepVisit } from '@/server/commands/keepVisit'
import { seal } from '@/server/commands/seal'
import { writeLog } from '@/server/commands/writeLog'
import { writeAudit } from '@/server/respond'
import type { Result } from '@/server/result'
import { may, refusal, type Right } from '@/server/rights'
import type { Signed } from '@/server/scope'

type Kind = {
  readonly right: Right
  readonly action: string
  /** The text of what was sent that the audit names. */
  readonly what?: string
  readonly command: (scope: Scope, input: unknown) => Promise<Result>
}

/** What is done on site and may come later: each kind with the right it takes, what the audit calls it, and its command. Every one of them has an id
 *  made in the browser, so that sending it twice does it once. */
export const SITE_WORK: Readonly<Record<string, Kind>> = {
  check: { right: 'work', action: 'read', what: 'check', command: keepCheck },
  log: { right: 'work', action: 'wrote into the log', command: writeLog },
  photo: { right: 'work', action: 'kept a photo', what: 'about', command: keepPhoto },
  visit: { right: 'work', action: 'kept a visit', command: keepVisit },
  seal: { right: 'seal', action: 'sealed', what: 'reason', command: seal },
}

const textAt = (input: unknown, key: string): string => {
  const value = typeof input === 'object' && input !== null ? (input as Record<string, unknown>)[key] : undefined
  return typeof value === 'string' ? value : ''
}

/** Does one thing that was done on site.
 *  @param sent `{ kind, input }` as it came from a browser */
export async function doSiteWork(who: Signed, sent: unknown): Promise<Result> {
  const name = textAt(sent, 'kind')
  const kind = Object.hasOwn(SITE_WORK, name) ? SITE_WORK[name] : undefined
  if (!kind) return { kind: 'invalid', problems: [{ code: 'site_work_unknown', path: 'kind' }] }
  if (!may(who.role, kind.right)) return { kind: 'forbidden', text: refusal(who.role, kind.right) }
  const { input } = sent as { input?: unknown }
  const result = await kind.command(who.scope, input)
  if (result.kind === 'done')
    await writeAudit(who, {
      action: kind.action,
      what: kind.what === undefined ? '' : textAt(input, kind.what),
      installationId: textAt(input, 'installationId') || null,
    })
  return result
}
