import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { versionOf, type ControllerModel } from '@/core/controller/schema'
import { readControllerModel } from '@/core/installation/read'
import { canonicalJson } from '@/core/json/canonical'
import { getControllerModel, saveControllerModel } from '@/db/queries/controllerModel'
import { closed } from '@/core/json/vocabulary'
import { heavy } from '@/server/heavy/heavy'
import type { Result } from '@/server/result'

const readInput = validator(Type.Object({ text: Type.String({ maxLength: 1_000_000 }) }, closed))

/** The model with the version after the one that is kept here; the same where nothing else differs. */
async function nextVersion(scope: Scope, model: ControllerModel): Promise<ControllerModel> {
  const before = await getControllerModel(scope, model.id)
  const read = before ? readControllerModel(before.data) : null
  if (!read?.ok) return model
  const version = versionOf(read.value)
  const isSame = canonicalJson({ ...model, version }) === canonicalJson({ ...read.value, version })
  return { ...model, version: isSame ? version : version + 1 }
}

/** Keeps a technician’s own controller model. One that contradicts itself is refused with every problem; an example is never overwritten. */
export async function keepController(scope: Scope, input: unknown): Promise<Result<{ id: string }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const model = await heavy('readModelText', read.value.text)
  if (!model.ok) return { kind: 'invalid', problems: model.problems }
  const kept = await nextVersion(scope, model.value)
  if (await saveControllerModel(scope, kept, scope.personName)) return { kind: 'done', id: kept.id }
  return { kind: 'invalid', problems: [{ code: 'id_of_example', path: 'id', id: model.value.id }] }
}
