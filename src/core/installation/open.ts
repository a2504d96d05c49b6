import { checkInstallation } from '@/core/installation/checkInstallation'
import { Installation, INSTALLATION_SCHEMA } from '@/core/installation/installation'
import type { Problem } from '@/core/json/problem'
import { validator } from '@/core/json/validator'
import { upgrade } from '@/core/upgrade/upgrade'

/** A stored installation as far as it can be opened. `marked`: every figure is where it belongs, and some contradict one another or
 *  the program; it can be worked on and is not sealed until it is right. `unreadable`: it can only be looked at as text. */
export type Opened =
  | { readonly kind: 'whole'; readonly document: Installation }
  | { readonly kind: 'marked'; readonly document: Installation; readonly problems: readonly Problem[] }
  | { readonly kind: 'unreadable'; readonly problems: readonly Problem[] }

const readShape = validator(Installation, INSTALLATION_SCHEMA)

/** Opens what was stored, by this version of the program or an older one; never throws. */
export function openInstallation(data: unknown): Opened {
  const shape = readShape(upgrade(data))
  if (!shape.ok) return { kind: 'unreadable', problems: shape.problems }
  const problems = checkInstallation(shape.value)
  return problems.length > 0
    ? { kind: 'marked', document: shape.value, problems }
    : { kind: 'whole', document: shape.value }
}
