import type { SentenceContext } from '@/core/sentences/behaviour'
import type { Installation } from '@/core/installation/installation'
import { freeId } from '@/core/json/freeId'
import type { Explanation } from '@/core/machine/explain'
import { findLink } from '@/core/machine/findLink'
import type { OverrideKind } from '@/core/machine/parts/overrides'
import { formatPct } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import type { Input } from '@/core/rules/input'

/** An input for a new behaviour: the first of its kind that is not `besides`, made when there is none. */
export function ensureInput({ response }: Installation, made: Input, besides?: string): string {
  return response.inputs.find(({ id, kind }) => kind === made.kind && id !== besides)?.id ?? newInput(response, made)
}

/** The input of this very name, made when there is none: a switch stands for one thing alone, and so does the air outside. */
export function ensureOwnInput({ response }: Installation, made: Input): string {
  return response.inputs.find(({ id, kind }) => id === made.id && kind === made.kind)?.id ?? newInput(response, made)
}

export function newInput(response: Response, made: Input): string {
  const id = freeId(
    response.inputs.map((input) => input.id),
    made.id,
  )
  response.inputs.push({ ...made, id })
  return id
}

/** What a hold does at this instant. */
export const overrideNow =
  (by: OverrideKind) =>
  (_value: unknown, { chain }: Explanation, { preference }: SentenceContext): string => {
    const link = findLink(chain, 'hold', 'held', (held) => held.by === by)
    return link ? `holds ${formatPct(link.heldPct, preference)} %` : 'idle'
  }
