import { GATE_PARTS, partOf, type GatePart } from '@/core/record/gate'
import type { OpenItem } from '@/core/record/stillOpen'

/** What to do next, and in which part of the job. */
export type Next = { readonly item: OpenItem; readonly part: GatePart }

const GRAVE_FIRST = (item: OpenItem): number => (item.kind === 'danger' ? 0 : 1)

/**
 * The next thing that is open, in the order of the work: first in the part one stands in, then in those after it, then from the beginning. Null where
 * nothing is open: then there is only the seal.
 *
 * @param from the part one stands in; null: the beginning.
 * @param isLeaving true: what is open in this very part comes last, for whoever has come to its end.
 */
export function nextOpen(open: readonly OpenItem[], from: GatePart | null, isLeaving = false): Next | null {
  const here = (from === null ? 0 : GATE_PARTS.indexOf(from)) + (isLeaving ? 1 : 0)
  for (const part of [...GATE_PARTS.slice(here), ...GATE_PARTS.slice(0, here)]) {
    const [item] = open
      .filter((candidate) => partOf(candidate) === part)
      .toSorted((one, other) => GRAVE_FIRST(one) - GRAVE_FIRST(other))
    if (item) return { item, part }
  }
  return null
}
