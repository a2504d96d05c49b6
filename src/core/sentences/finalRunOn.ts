import { findLink } from '@/core/machine/findLink'
import { formatPct } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

type FinalRunOn = NonNullable<Response['finalRunOn']>

const SET_PCT = 40

/** When everything stops asking, it runs on for a time. */
export const finalRunOn: BehaviourKind<FinalRunOn> = {
  places: onceAt('finalRunOn'),
  name: () => 'run-on',
  cause: () => 'time',
  sentence: ({ holdS, speedPct }) => [
    text('When everything stops asking, run on '),
    {
      kind: 'choice',
      path: 'speedPct',
      label: 'speed of the run-on',
      value: speedPct === null ? 'last' : 'set',
      options: [
        ['last', 'at the last speed'],
        ['set', 'at a set speed'],
      ],
      puts: { last: null, set: SET_PCT },
    },
    ...(speedPct === null ? [] : [text(', '), field('speedPct', 'speed to run on at', 'speed', speedPct)]),
    text(', for '),
    field('holdS', 'run-on', 'time', holdS),
    text('. A new ask ends it.'),
  ],
  trade: () => 'final run-on',
  now: (_value, { chain }, { preference }) => {
    const link = findLink(chain, 'hold', 'run-on')
    return link ? `runs on at ${formatPct(link.speedPct, preference)} %` : 'idle'
  },
  why: () => ({
    formula: 'asks the last running speed (or the set one) until its time is over',
    source: ofCommonPractice,
  }),
  offers: ({ response }) =>
    response.finalRunOn
      ? []
      : [
          {
            sentence: 'When everything stops asking, run on for a time',
            words: 'run on overrun after last speed timer',
            figure: { quantity: 'time', typedUnit: 'min' },
            add: ({ response: draft }, figureS) => void (draft.finalRunOn = { holdS: figureS ?? 600, speedPct: null }),
          },
        ],
}
