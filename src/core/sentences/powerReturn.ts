import type { Response } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { overrideNow } from '@/core/sentences/ensureInput'

/** Fans of one supply start one after the other when it comes back. */
export const powerReturn: BehaviourKind<NonNullable<Response['powerReturn']>> = {
  places: onceAt('powerReturn'),
  name: () => 'wait when power returns',
  cause: () => 'time',
  sentence: ({ waitS }) => [
    text('When the supply comes back, stand for '),
    field('waitS', 'wait when power returns', 'time', waitS),
    text(' before anything runs.'),
  ],
  trade: () => 'staggered start',
  now: overrideNow('power-return'),
  why: () => ({ formula: 'stands until the time since power came is over', source: ofCommonPractice }),
  offers: ({ response }) =>
    response.powerReturn
      ? []
      : [
          {
            sentence: 'When power returns, wait so that fans start one after the other',
            words: 'power return staggered start wait outage delay',
            figure: { quantity: 'time', typedUnit: 's' },
            add: ({ response: draft }, figureS) => void (draft.powerReturn = { waitS: figureS ?? 15 }),
          },
        ],
}
