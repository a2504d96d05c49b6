import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { placeModel } from '@/db/queries/controllerModel'
import { placeInstallation } from '@/db/queries/installation'
import { placeReadingFile } from '@/db/queries/reading'
import { removeEmptySite } from '@/db/queries/site'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const Place = Type.Union([Type.Literal('here'), Type.Literal('aside'), Type.Literal('deleted')])
const readInput = validator(
  Type.Union([
    Type.Object({ kind: Type.Literal('installation'), id: Uuid, place: Place }, closed),
    Type.Object(
      { kind: Type.Literal('controller'), id: Type.String({ minLength: 1, maxLength: 60 }), place: Place },
      closed,
    ),
    Type.Object(
      { kind: Type.Literal('readings'), id: Uuid, place: Type.Exclude(Place, Type.Literal('aside')) },
      closed,
    ),
    Type.Object({ kind: Type.Literal('site'), id: Uuid, place: Type.Literal('deleted') }, closed),
  ]),
)

/** How long what was deleted can be brought back, days. */
const KEPT_DAYS = 30

/** Sets something aside, deletes it, or brings it back. What is set aside leaves the lists; what is deleted does so too, and is gone for good 30 days
 *  later. What was sealed is never deleted: asked for that, it is set aside. */
export async function place(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const goneAt = new Date(Date.now() + KEPT_DAYS * 86_400_000)
  const wanted = read.value
  const where = wanted.place === 'deleted' ? { goneAt } : wanted.place
  switch (wanted.kind) {
    case 'installation':
      return answer(await placeInstallation(scope, wanted.id, where === 'here' ? 'yard' : where))
    case 'controller':
      return answer(await placeModel(scope, wanted.id, where))
    case 'readings':
      return answer(await placeReadingFile(scope, wanted.id, wanted.place === 'deleted' ? goneAt : null))
    case 'site': {
      const outcome = await removeEmptySite(scope, wanted.id)
      if (outcome !== 'in-use') return answer(outcome === 'done')
      return { kind: 'invalid', problems: [{ code: 'site_in_use', path: 'id' }] }
    }
  }
}

const answer = (isDone: boolean): Result => (isDone ? { kind: 'done' } : { kind: 'unknown' })
