import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { renameWorkspace as rename } from '@/db/queries/workspace'
import { closed } from '@/core/json/vocabulary'
import { Named } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(Type.Object({ name: Named }, closed))

export async function renameWorkspace(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  await rename(scope, read.value.name.trim())
  return { kind: 'done' }
}
