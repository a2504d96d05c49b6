import { Type } from '@sinclair/typebox'
import { closed } from '@/core/json/vocabulary'
import { validator } from '@/core/json/validator'
import { Visit, visitText } from '@/core/record/visit'
import type { Scope } from '@/db/client'
import { addLogEntry } from '@/db/queries/log'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(Type.Object({ id: Uuid, installationId: Uuid, visit: Visit }, closed))

/** Keeps a visit as an entry of the log, with its readings. */
export async function keepVisit(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, installationId, visit } = read.value
  const isKept = await addLogEntry(scope, {
    ...{ id, installationId },
    kind: 'visit',
    text: visitText(visit).slice(0, 2000),
    detail: visit,
  })
  return isKept ? { kind: 'done' } : { kind: 'unknown' }
}
