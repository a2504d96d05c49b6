import { formatPct } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { text, type MoreAction, type SentencePart } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

const nightParts = (lowest: number | undefined, highest: number | undefined): readonly SentencePart[] => [
  ...(lowest === undefined
    ? []
    : [text('; by night at least '), field('floor.nightPct', 'floor of the night', 'speed', lowest)]),
  ...(highest === undefined
    ? []
    : [text('; by night never above '), field('ceiling.nightPct', 'ceiling of the night', 'speed', highest)]),
]

/** Quieter by night to begin with: common practice, no source. */
const nightAction = (has: boolean): MoreAction<Response> => ({
  label: has ? 'The same limits by night' : 'Other limits by night',
  change: (draft) => {
    if (has) {
      delete draft.floor.nightPct
      delete draft.ceiling.nightPct
      return
    }
    const lowest = draft.stages ? 0 : draft.floor.speedPct
    draft.floor.nightPct = lowest
    draft.ceiling.nightPct = Math.round((lowest + 2 * draft.ceiling.speedPct) / 3)
  },
})

/** Floor, ceiling, and whose ask counts: what every response has. */
export const bounds: BehaviourKind<Response> = {
  places: () => [''],
  name: () => 'floor and ceiling',
  cause: () => 'speed',
  sentence: ({ floor, ceiling, wins = 'highest', stages }) => [
    {
      kind: 'choice',
      path: 'floor.offAllowed',
      label: 'when nothing asks',
      value: floor.offAllowed ? 'off' : 'on',
      options: [
        ['on', 'Always run at least'],
        ['off', 'Stand still when nothing asks; running, at least'],
      ],
      puts: { on: undefined, off: true },
    },
    text(' '),
    field('floor.speedPct', 'floor', 'speed', floor.speedPct),
    text(stages ? ' (the variable fan), never above ' : ', never above '),
    field('ceiling.speedPct', 'ceiling', 'speed', ceiling.speedPct),
    text(', '),
    {
      kind: 'choice',
      path: 'ceiling.how',
      label: 'at the ceiling',
      value: ceiling.how,
      options: [
        ['clip', 'limited to that'],
        ['rescale', 'ramps rescaled to end there'],
      ],
    },
    ...nightParts(floor.nightPct, ceiling.nightPct),
    text(wins === 'first' ? '. The first in the list that asks counts.' : '.'),
  ],
  now: ({ floor }, _explanation, { preference }) =>
    `asks ${formatPct(floor.offAllowed ? 0 : floor.speedPct, preference)} %`,
  why: () => ({
    formula: 'given = min(ceiling, max(floor, asks)); ramps rescaled: from + share × (min(to, ceiling) − from)',
    source: `${ofCommonPractice}; cases in the reference values, ctl.ramp`,
  }),
  isFixed: true,
  more: ({ wins = 'highest', floor, ceiling, light, dayByWeek }) => [
    ...(light || dayByWeek || floor.nightPct !== undefined || ceiling.nightPct !== undefined
      ? [nightAction(floor.nightPct !== undefined || ceiling.nightPct !== undefined)]
      : []),
    {
      label: wins === 'first' ? 'The highest ask counts' : 'The first in the list that asks counts',
      change: (draft) => {
        if (wins === 'first') delete draft.wins
        else draft.wins = 'first'
      },
    },
  ],
  offers: () => [],
}
