import { formatPct } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

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
        ['clip', 'cut off there'],
        ['rescale', 'ramps rescaled to end there'],
      ],
    },
    text(wins === 'first' ? '. The first in the list that asks counts.' : '.'),
  ],
  now: ({ floor }, _explanation) => `asks ${formatPct(floor.offAllowed ? 0 : floor.speedPct)} %`,
  why: () => ({
    formula: 'given = min(ceiling, max(floor, asks)); ramps rescaled: from + share × (min(to, ceiling) − from)',
    source: `${ofCommonPractice}; cases in the reference values, ctl.ramp`,
  }),
  isFixed: true,
  more: ({ wins = 'highest' }) => [
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
