import { findLink } from '@/core/machine/findLink'
import { formatPct } from '@/core/quantity/format'
import type { RestBand } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { eachOf, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

/** Speeds passed over because of resonance. */
export const restBand: BehaviourKind<RestBand> = {
  places: eachOf('restBands'),
  name: ({ fromPct, toPct }) => `rest band ${formatPct(fromPct)}–${formatPct(toPct)} %`,
  cause: () => 'speed',
  sentence: ({ fromPct, toPct }) => [
    text('Never stay between '),
    field('fromPct', 'lower edge of the rest band', 'speed', fromPct),
    text(' and '),
    field('toPct', 'upper edge of the rest band', 'speed', toPct),
    text(': on the way up go to the upper edge, on the way down to the lower.'),
  ],
  trade: () => 'skip band',
  now({ fromPct, toPct }, { chain }) {
    const link = findLink(chain, 'give', 'rest-band', ({ band }) => band.fromPct === fromPct && band.toPct === toPct)
    return link ? `passes to ${formatPct(link.givenPct)} %` : 'idle'
  },
  why: () => ({
    formula: 'lower < speed < upper: the edge ahead in the direction it moves',
    source: `${ofCommonPractice}; cases in the reference values, ctl.restBand`,
  }),
  offers: () => [
    {
      sentence: 'Pass over speeds that resonate',
      words: 'rest band resonance hum noise skip',
      add: ({ response }) => void (response.restBands = [...(response.restBands ?? []), { fromPct: 45, toPct: 50 }]),
    },
  ],
}
