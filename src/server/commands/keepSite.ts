import { Type } from '@sinclair/typebox'
import { isZone } from '@/core/formats/readingsCsv/zone'
import { closed } from '@/core/json/vocabulary'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { keepSite as keep } from '@/db/queries/site'
import { Named, Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const Words = Type.String({ maxLength: 500 })
const readInput = validator(
  Type.Object(
    { id: Uuid, name: Named, address: Words, contact: Words, access: Words, zone: Type.String({ maxLength: 80 }) },
    closed,
  ),
)

/** Name of a site, and what whoever goes there wants to know. Everything on it stays on it. */
export async function keepSite(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { zone } = read.value
  if (zone !== '' && !isZone(zone)) return { kind: 'invalid', problems: [{ code: 'no_zone', path: 'zone', got: zone }] }
  const outcome = await keep(scope, { ...read.value, name: read.value.name.trim() })
  if (outcome === 'taken') return { kind: 'invalid', problems: [{ code: 'site_taken', path: 'name' }] }
  return outcome === 'done' ? { kind: 'done' } : { kind: 'unknown' }
}
