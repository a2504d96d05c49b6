import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { saveControllerModel } from '@/db/queries/controllerModel'
import { closed } from '@/core/json/vocabulary'
import { heavy } from '@/server/heavy/heavy'
import type { Result } from '@/server/result'

const readInput = validator(Type.Object({ text: Type.String({ maxLength: 1_000_000 }) }, closed))

/** Keeps a technician’s own controller model. One that contradicts itself is refused with every problem; an example is never overwritten. */
export async function keepController(scope: Scope, input: unknown): Promise<Result<{ id: string }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const model = await heavy('readModelText', read.value.text)
  if (!model.ok) return { kind: 'invalid', problems: model.problems }
  if (await saveControllerModel(scope, model.value, scope.personName)) return { kind: 'done', id: model.value.id }
  return { kind: 'invalid', problems: [{ code: 'id_of_example', path: 'id', id: model.value.id }] }
}
