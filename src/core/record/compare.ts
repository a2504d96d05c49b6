import type { Installation } from '@/core/installation/installation'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import { facts, type Fact } from '@/core/record/facts'

export type Change = {
  readonly kind: 'added' | 'removed' | 'changed'
  readonly label: string
  readonly before: string | null
  readonly after: string | null
}

/** What differs between two revisions, in words, in the order of the record. */
export const compare = (
  before: Installation,
  after: Installation,
  preference: UnitPreference = METRIC,
): readonly Change[] => compareFacts(facts(before, preference), facts(after, preference))

/** The same for facts that are already told: what was sealed does not change. */
export function compareFacts(old: readonly Fact[], now: readonly Fact[]): readonly Change[] {
  const oldByKey = new Map(old.map((fact) => [fact.key, fact]))
  const nowKeys = new Set(now.map(({ key }) => key))
  const changed = now.flatMap((fact): Change[] => {
    const was = oldByKey.get(fact.key)
    if (!was) return [{ kind: 'added', label: fact.label, before: null, after: fact.wording }]
    return was.wording === fact.wording
      ? []
      : [{ kind: 'changed', label: fact.label, before: was.wording, after: fact.wording }]
  })
  const removed = old
    .filter(({ key }: Fact) => !nowKeys.has(key))
    .map((fact): Change => ({ kind: 'removed', label: fact.label, before: fact.wording, after: null }))
  return [...changed, ...removed]
}

export const changeText = ({ kind, label, before, after }: Change): string =>
  kind === 'added'
    ? `${label}: new, ${after ?? ''}`
    : kind === 'removed'
      ? `${label}: gone, was ${before ?? ''}`
      : `${label}: ${before ?? ''} → ${after ?? ''}`
