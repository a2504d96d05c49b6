import { OVERRIDE_KINDS, type OverrideKind } from '@/core/machine/parts/overrides'
import { IN_CHARGE_RUN_ON } from '@/core/machine/state'
import type { Replay } from '@/core/rehearse/replay'

/** What is known of who decided, reading by reading. */
export type Decided = Pick<Replay, 'atS' | 'inCharge' | 'heldBy'>

/** Who decides the speed: a rule (its index among those switched on), the floor, the run-on, or what holds it whatever was asked. */
export type Active =
  | { readonly kind: 'rule'; readonly index: number }
  | { readonly kind: 'floor' | 'run-on' }
  | { readonly kind: 'held'; readonly by: OverrideKind }

/** The same decides from `fromS` up to `toS`. */
export type Spell = { readonly active: Active; readonly fromS: number; readonly toS: number }

const activeAt = ({ inCharge, heldBy }: Decided, reading: number): Active => {
  const by = OVERRIDE_KINDS[heldBy[reading]!] ?? 'none'
  const index = inCharge[reading]!
  if (by !== 'none') return { kind: 'held', by }
  if (index >= 0) return { kind: 'rule', index }
  return { kind: index === IN_CHARGE_RUN_ON ? 'run-on' : 'floor' }
}

/** One word for each that may decide, to compare and to count by. */
export const activeKey = (active: Active): string =>
  active.kind === 'rule' ? `rule ${active.index}` : active.kind === 'held' ? `held ${active.by}` : active.kind

/** A replay cut where another decides. What is seen at a reading lasts until the next; the last has no length. */
export function spells(replay: Decided): Spell[] {
  const { atS } = replay
  const found: Spell[] = []
  for (let reading = 0; reading + 1 < atS.length; reading++) {
    const active = activeAt(replay, reading)
    const last = found.at(-1)
    const toS = atS[reading + 1]!
    if (last && activeKey(last.active) === activeKey(active)) found[found.length - 1] = { ...last, toS }
    else found.push({ active, fromS: atS[reading]!, toS })
  }
  return found
}

/** How much of the time each decided, the longest first; shares of 1. */
export function activeShares(all: readonly Spell[]): { readonly active: Active; readonly share: number }[] {
  const seconds = new Map<string, { active: Active; ownS: number }>()
  for (const { active, fromS, toS } of all) {
    const before = seconds.get(activeKey(active))
    seconds.set(activeKey(active), { active, ownS: (before?.ownS ?? 0) + toS - fromS })
  }
  const wholeS = (all.at(-1)?.toS ?? 0) - (all[0]?.fromS ?? 0)
  return [...seconds.values()]
    .sort((a, b) => b.ownS - a.ownS)
    .map(({ active, ownS }) => ({ active, share: wholeS > 0 ? ownS / wholeS : 0 }))
}
