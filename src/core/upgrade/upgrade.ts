import { controllerModelFrom1 } from '@/core/upgrade/controllerModel'
import { installationFrom1, kitFrom1 } from '@/core/upgrade/installation'
import { changed, isHeld, type Held } from '@/core/upgrade/rename'
import { responseFrom1 } from '@/core/upgrade/response'

/** One step up for each document that was once of another version. The next version is one more line. */
export const STEPS: ReadonlyMap<unknown, (document: Held) => Held> = new Map([
  ['soft-gale/response@1', responseFrom1],
  ['soft-gale/controller-model@1', controllerModelFrom1],
  ['soft-gale/kit@1', kitFrom1],
  ['soft-gale/installation@1', installationFrom1],
])

/** Documents that stand inside others, by what they stand under. */
const INSIDE: Readonly<Record<string, readonly string[]>> = {
  'soft-gale/installation': ['kit', 'response'],
  'soft-gale/kit': ['controller'],
}

/** A document, and those inside it, as this version of the program writes them; what carries no former name is left as it is, and what does
 *  not fit is for the validator to say. Never changes what it is given. */
export function upgrade(data: unknown): unknown {
  if (!isHeld(data)) return data
  let document = data
  for (let step = STEPS.get(document.schema); step; step = STEPS.get(document.schema)) document = step(document)
  const kind = typeof document.schema === 'string' ? document.schema.split('@')[0]! : ''
  return (Object.hasOwn(INSIDE, kind) ? INSIDE[kind]! : []).reduce(
    (held, key) => changed(held, key, (inside) => upgrade(inside) as Held),
    document,
  )
}
