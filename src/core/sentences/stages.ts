import { findLink } from '@/core/machine/findLink'
import { formatPct } from '@/core/quantity/format'
import { equalStages } from '@/core/response/equalStages'
import type { Stages } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field, listed } from '@/core/rules/sentence'
import { onceAt, type BehaviourKind } from '@/core/sentences/behaviour'

/** Fixed fans that join a variable one. */
export const stages: BehaviourKind<Stages> = {
  places: onceAt('stages'),
  name: () => 'staging ladder',
  cause: () => 'speed',
  sentence: ({ fixed, offBelowPct, minStageS }, { fanName }) => [
    ...listed(
      ', ',
      fixed.map(({ fan, joinsAtPct }, index) => [
        { kind: 'input', name: fanName(fan) },
        text(' joins at '),
        field(`fixed.${index}.joinsAtPct`, `${fanName(fan)} joins at`, 'speed', joinsAtPct),
      ]),
    ),
    text(' of the whole ladder; each leaves '),
    field('offBelowPct', 'differential of the ladder', 'speed', offBelowPct),
    text(' under its join, with at least '),
    field('minStageS', 'least time between two stages', 'time', minStageS),
    text(' between two changes.'),
  ],
  trade: () => 'staging',
  now(_value, { chain }) {
    const link = findLink(chain, 'give', 'stages')
    return link ? `${link.running} fixed, variable ${formatPct(link.leadPct)} %` : '–'
  },
  why: () => ({
    formula: 'variable = floor + (100 − floor) × (demand − join below) ÷ (join above − join below)',
    source: 'the shared trade notes; cases in the reference values, ctl.staged',
  }),
  offers({ response, kit }) {
    const free = kit.fans.filter(({ id }) => id !== response.lead && !response.followers.some(({ fan }) => fan === id))
    return response.stages || free.length === 0
      ? []
      : [
          {
            sentence: 'Fixed fans join the variable one, stage by stage',
            words: 'stages ladder fixed fans join house',
            add: ({ response: draft }) => void (draft.stages = equalStages(free.map(({ id }) => id))),
          },
        ]
  },
}
