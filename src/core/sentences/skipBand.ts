import { findLink } from '@/core/machine/findLink'
import { formatPct } from '@/core/quantity/format'
import type { SkipBand } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { eachOf, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

/** Speeds passed over because of resonance. */
export const skipBand: BehaviourKind<SkipBand> = {
  places: eachOf('skipBands'),
  name: ({ fromPct, toPct }, { preference }) =>
    `skip band ${formatPct(fromPct, preference)}–${formatPct(toPct, preference)} %`,
  cause: () => 'speed',
  sentence: ({ fromPct, toPct }) => [
    text('Never stay between '),
    field('fromPct', 'lower edge of the skip band', 'speed', fromPct),
    text(' and '),
    field('toPct', 'upper edge of the skip band', 'speed', toPct),
    text(': on the way up go to the upper edge, on the way down to the lower.'),
  ],
  trade: () => 'skip band',
  now({ fromPct, toPct }, { chain }, { preference }) {
    const link = findLink(chain, 'give', 'skip-band', ({ band }) => band.fromPct === fromPct && band.toPct === toPct)
    return link ? `passes to ${formatPct(link.givenPct, preference)} %` : 'idle'
  },
  why: () => ({
    formula: 'lower < speed < upper: the edge ahead in the direction it moves',
    source: `${ofCommonPractice}; cases in the reference values, ctl.skipBand`,
  }),
  offers: () => [
    {
      sentence: 'Pass over speeds that resonate',
      words: 'skip band resonance hum noise skip',
      add: ({ response }) => void (response.skipBands = [...(response.skipBands ?? []), { fromPct: 45, toPct: 50 }]),
    },
  ],
}
