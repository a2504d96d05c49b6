import type { OpenItem } from '@/core/record/stillOpen'

/** How far what was sealed had been proved: entered and every check passed, or how much of that was open; null from before that was noted. */
export type SealState =
  { readonly kind: 'proved' } | { readonly kind: 'not-proved'; readonly open: number } | { readonly kind: 'not-noted' }

/** @param open what was open when it was sealed; null where that was not noted */
export function sealState(open: readonly OpenItem[] | null): SealState {
  if (open === null) return { kind: 'not-noted' }
  const unproved = open.filter(
    ({ kind, reason }) => kind === 'action' || kind === 'check' || (kind === 'danger' && reason === undefined),
  ).length
  return unproved === 0 ? { kind: 'proved' } : { kind: 'not-proved', open: unproved }
}

/** The words of a seal, the same in yard, record and label. */
export function sealStateText(state: SealState): string {
  switch (state.kind) {
    case 'proved':
      return 'sealed and proved'
    case 'not-proved':
      return `sealed, not proved (${state.open} open)`
    case 'not-noted':
      return 'sealed, proof not noted'
  }
}
