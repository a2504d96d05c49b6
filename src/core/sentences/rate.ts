import { findLink } from '@/core/machine/findLink'
import { formatPct } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

type Rate = NonNullable<Response['rate']>

/** How fast the given speed may change. */
export const rate: BehaviourKind<Rate> = {
  places: onceAt('rate'),
  name: () => 'rate of change',
  cause: () => 'time',
  sentence: ({ upPctPerS, downPctPerS }) => [
    text('Move no faster than '),
    field('upPctPerS', 'rate up, percent a second', 'speed', upPctPerS),
    text(' a second up and '),
    field('downPctPerS', 'rate down, percent a second', 'speed', downPctPerS),
    text(' a second down.'),
  ],
  trade: () => 'ramp time',
  now(_value, { chain }, { preference }) {
    const link = findLink(chain, 'give', 'rate')
    return link ? `on its way to ${formatPct(link.wantedPct, preference)} %` : 'idle'
  },
  why: () => ({ formula: 'given = last ± rate × time, until it is there', source: ofCommonPractice }),
  offers: ({ response }) =>
    response.rate
      ? []
      : [
          {
            sentence: 'Move slowly from one speed to another',
            words: 'rate slow ramp time soft change',
            figure: { quantity: 'speed', typedUnit: '%' },
            add: ({ response: draft }, figurePct) => {
              const pct = figurePct ?? 2
              draft.rate = { upPctPerS: pct, downPctPerS: pct }
            },
          },
        ],
}
