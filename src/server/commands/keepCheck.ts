import { Type } from '@sinclair/typebox'
import { derive } from '@/core/derive/derive'
import { validator } from '@/core/json/validator'
import { givenMark } from '@/core/prove/givenMark'
import { planFor } from '@/core/prove/plan'
import { CheckReading } from '@/core/prove/reading'
import { judge, type Verdict } from '@/core/prove/verdict'
import type { Scope } from '@/db/client'
import { addCheckResult } from '@/db/queries/checkResult'
import { getInstallation } from '@/db/queries/installation'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(
  Type.Object(
    { id: Uuid, installationId: Uuid, check: Type.String({ minLength: 1, maxLength: 100 }), reading: CheckReading },
    closed,
  ),
)

/** Judges a reading on the server, against the working copy as kept, and keeps reading and verdict together. */
export async function keepCheck(scope: Scope, input: unknown): Promise<Result<Verdict>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, installationId, check: checkId, reading } = read.value
  const row = await getInstallation(scope, installationId)
  if (!row) return { kind: 'unknown' }
  if (row.kind === 'unreadable') return { kind: 'invalid', problems: row.problems }
  const { document } = row.workingCopy
  const planned = planFor(document, derive(document))
  const check = planned?.plan.find((candidate) => candidate.id === checkId)
  if (!planned || !check || check.kind !== reading.kind)
    return {
      kind: 'invalid',
      problems: [{ code: 'check_gone', path: 'check' }],
    }
  const { verdict, finding } = judge(planned.context, check, reading)
  const isKept = await addCheckResult(scope, installationId, {
    id,
    check: checkId,
    given: givenMark(planned.context.response),
    reading,
    verdict,
    finding,
  })
  return isKept ? { kind: 'done', verdict, finding } : { kind: 'unknown' }
}
