import { findLink } from '@/core/machine/findLink'
import type { CutOut } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

/** Below a speed the fan stands, by its bearings or its motor; it is no floor. */
export const cutOut: BehaviourKind<CutOut> = {
  places: onceAt('cutOut'),
  name: () => 'low-speed cut-out',
  cause: () => 'speed',
  sentence: ({ offBelowPct, backAtPct }) => [
    text('Asked for less than '),
    field('offBelowPct', 'low-speed cut-out', 'speed', offBelowPct),
    text(' the fan stands; it comes back when '),
    field('backAtPct', 'speed of coming back', 'speed', backAtPct),
    text(' is asked.'),
  ],
  trade: () => 'low-speed cut-out',
  now: (_value, { chain }) => (findLink(chain, 'limit', 'cut-out') ? 'has it stand' : 'idle'),
  why: () => ({
    formula: 'stands while asked < cut-out; runs again from asked ≥ coming back; holds stand above it',
    source: `${ofCommonPractice}: sleeve bearings need the higher speed`,
  }),
  offers: ({ response }) =>
    response.cutOut || response.stages
      ? []
      : [
          {
            sentence: 'Below a low speed stand still, as the bearings need',
            words: 'cut-out cutout low speed bearing off sleeve ball',
            figure: { quantity: 'speed', typedUnit: '%' },
            add: ({ response: draft }, figurePct) => {
              const offBelowPct = figurePct ?? Math.min(draft.ceiling.speedPct, draft.floor.speedPct + 5)
              draft.floor.offAllowed = true
              draft.cutOut = { offBelowPct, backAtPct: Math.min(draft.ceiling.speedPct, offBelowPct + 5) }
            },
          },
        ],
}
