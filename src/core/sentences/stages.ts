import { findLink } from '@/core/machine/findLink'
import { formatPct } from '@/core/quantity/format'
import { equalJoins, equalStages } from '@/core/response/equalStages'
import type { Response, Stages } from '@/core/response/schema'
import { text, type MoreAction } from '@/core/rules/kind'
import { field, listed } from '@/core/rules/sentence'
import { conditionParts } from '@/core/sentences/condition'
import { onceAt, type BehaviourKind } from '@/core/sentences/behaviour'

/** By the demand, or each fan by a reading of the temperature that drives it: two degrees apart to begin with, common practice, no source. */
function readingActions(
  fixed: Stages['fixed'],
  response: Pick<Response, 'inputs' | 'rules'>,
): readonly MoreAction<Stages>[] {
  if (fixed[0]?.joinsWhile)
    return [
      {
        label: 'Let them join by the demand',
        change: (draft) => {
          for (const join of draft.fixed) delete join.joinsWhile
        },
      },
    ]
  const ramp = response.rules.find((rule) => 'fullAt' in rule && rule.fullAt > rule.startAt)
  return ramp && 'fullAt' in ramp
    ? [
        {
          label: 'Let each join by a reading',
          change: (draft) =>
            draft.fixed.forEach((join, index) => {
              const at = ramp.startAt + 2 * (index + 1)
              join.joinsWhile = { kind: 'input', input: ramp.input, when: 'at-or-above', at, release: 1 }
            }),
        },
      ]
    : []
}

/** Fixed fans that join a variable one. */
export const stages: BehaviourKind<Stages> = {
  places: onceAt('stages'),
  name: () => 'staging ladder',
  cause: () => 'speed',
  sentence: ({ fixed, offBelowPct, minStageS, percentOf = 'fans', inletPct }, { fanName, response }) => [
    ...listed(
      ', ',
      fixed.map(({ fan, joinsAtPct, joinsWhile }, index) => [
        { kind: 'input' as const, name: fanName(fan) },
        ...(joinsWhile
          ? [text(' joins while '), ...conditionParts(`fixed.${index}.joinsWhile`, joinsWhile, response)]
          : [text(' joins at '), field(`fixed.${index}.joinsAtPct`, `${fanName(fan)} joins at`, 'speed', joinsAtPct)]),
      ]),
    ),
    ...(fixed[0]?.joinsWhile
      ? [text('; with at least ')]
      : [
          text(' of '),
          {
            kind: 'choice' as const,
            path: 'percentOf',
            label: 'what the percent are of',
            value: percentOf,
            options: [
              ['fans', 'the whole ladder'],
              ['air', 'all air'],
            ] as const,
          },
          text('; each leaves '),
          field('offBelowPct', 'differential of the ladder', 'speed', offBelowPct),
          text(' under its join, with at least '),
        ]),
    field('minStageS', 'least time between two stages', 'time', minStageS),
    text(' between two changes'),
    ...(inletPct
      ? [
          text('; inlets open '),
          ...listed(
            ', ',
            inletPct.map((pct, index) => [field(`inletPct.${index}`, `inlets with ${index} fixed`, 'speed', pct)]),
          ),
          text(' with none of them, one and so on'),
        ]
      : []),
    text('.'),
  ],
  more: ({ fixed, inletPct }, { response }) => [
    {
      label: inletPct ? 'Say nothing of inlets' : 'Say how far the inlets are open',
      change: (draft) => {
        if (inletPct) delete draft.inletPct
        else draft.inletPct = [...equalJoins(fixed.length).map(Math.round), 100]
      },
    },
    ...readingActions(fixed, response),
  ],
  trade: () => 'staging',
  now(_value, { chain }, { preference }) {
    const link = findLink(chain, 'give', 'stages')
    return link ? `${link.running} fixed, variable ${formatPct(link.leadPct, preference)} %` : '–'
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
