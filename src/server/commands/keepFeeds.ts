import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import { Feeds } from '@/core/rehearse/feeds'
import type { Scope } from '@/db/client'
import { saveFeeds } from '@/db/queries/reading'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(Type.Object({ fileId: Uuid, feeds: Feeds }, closed))

/** Keeps which input takes which column of a readings file. */
export async function keepFeeds(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  return (await saveFeeds(scope, read.value.fileId, read.value.feeds)) ? { kind: 'done' } : { kind: 'unknown' }
}
