import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { askCancel } from '@/db/queries/importJob'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(Type.Object({ id: Uuid }, closed))

/** Asks an import to stop; it does so between two batches, and nothing of the file is kept. */
export async function cancelImport(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  return (await askCancel(scope, read.value.id)) ? { kind: 'done' } : { kind: 'unknown' }
}
