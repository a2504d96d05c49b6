import { GATE_PARTS, partOf, type GatePart } from '@/core/record/gate'
import type { OpenItem } from '@/core/record/stillOpen'

/** What to do next, and in which part of the job. */
export type Next = { readonly item: OpenItem; readonly part: GatePart }

/**
 * The next thing that is open, in the order of the work: first in the part one stands in, then in those after it, then from the beginning. Null where
 * nothing is open: then there is only the seal.
 *
 * @param from the part one stands in; null: the beginning.
 * @param isLeaving true: what is open in this very part comes last, for whoever has come to its end.
 */
export function nextOpen(open: readonly OpenItem[], from: GatePart | null, isLeaving = false): Next | null {
  const first = (from === null ? 0 : GATE_PARTS.indexOf(from)) + (isLeaving ? 1 : 0)
  for (const part of [...GATE_PARTS.slice(first), ...GATE_PARTS.slice(0, first)]) {
    const here = open.filter((candidate) => partOf(candidate) === part)
    const item = here.find(({ kind }) => kind === 'danger') ?? here[0]
    if (item) return { item, part }
  }
  return null
}
