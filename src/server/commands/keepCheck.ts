import { Type } from '@sinclair/typebox'
import type { Installation } from '@/core/installation/installation'
import type { Outcome } from '@/core/json/problem'
import { validator } from '@/core/json/validator'
import { closed } from '@/core/json/vocabulary'
import { CheckReading } from '@/core/prove/reading'
import type { Verdict } from '@/core/prove/verdict'
import type { Scope } from '@/db/client'
import { addCheckResult } from '@/db/queries/checkResult'
import { getInstallation } from '@/db/queries/installation'
import { Instant, Uuid } from '@/server/commands/input'
import { heavy } from '@/server/heavy/heavy'
import type { Result } from '@/server/result'

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      installationId: Uuid,
      check: Type.String({ minLength: 1, maxLength: 100 }),
      reading: CheckReading,
      note: Type.Optional(Type.String({ maxLength: 1000 })),
      takenAt: Type.Optional(Instant),
      /** The working copy as it stood before whoever read; the one that is kept where none is sent. */
      against: Type.Optional(Type.Unknown()),
    },
    closed,
  ),
)

/** What a reading is judged against: the document that stood on the page, as nobody else’s change may turn a verdict round; null where the
 *  installation is not of this workspace. */
async function documentFor(
  scope: Scope,
  installationId: string,
  against: unknown,
): Promise<Outcome<Installation> | null> {
  const row = await getInstallation(scope, installationId)
  if (!row) return null
  if (against === undefined)
    return row.kind === 'open' ? { ok: true, value: row.workingCopy.document } : { ok: false, problems: row.problems }
  const opened = await heavy('openInstallation', against)
  return opened.kind === 'unreadable' ? { ok: false, problems: opened.problems } : { ok: true, value: opened.document }
}

/** Judges a reading on the server, and keeps reading and verdict together. */
export async function keepCheck(scope: Scope, input: unknown): Promise<Result<Verdict>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, installationId, check, reading, note = '', takenAt, against } = read.value
  const document = await documentFor(scope, installationId, against)
  if (!document) return { kind: 'unknown' }
  if (!document.ok) return { kind: 'invalid', problems: document.problems }
  const judged = await heavy('judgeCheck', document.value, check, reading)
  if (!judged) return { kind: 'invalid', problems: [{ code: 'check_gone', path: 'check' }] }
  const isKept = await addCheckResult(scope, installationId, {
    id,
    check,
    reading,
    note,
    takenAt: takenAt === undefined ? null : new Date(takenAt),
    ...judged,
  })
  const { verdict, finding } = judged
  return isKept ? { kind: 'done', verdict, finding } : { kind: 'unknown' }
}
