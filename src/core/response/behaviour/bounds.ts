import { ofCommonPractice, type BehaviourKind } from '@/core/response/behaviour/behaviour'
import { formatPct } from '@/core/quantity/format'
import { field } from '@/core/response/rules/sentence'
import { text } from '@/core/response/rules/kind'
import type { Response } from '@/core/response/schema'

/** Floor, ceiling, and whose ask counts: what every response has. */
export const bounds: BehaviourKind<Response> = {
  places: () => [''],
  name: () => 'floor and ceiling',
  cause: () => 'speed',
  sentence: ({ floor, ceiling, wins = 'highest', rules, stages }) => [
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
        ['rescale', 'ramps squeezed under it'],
      ],
    },
    text('.'),
    ...(rules.length > 1
      ? ([
          text(' '),
          {
            kind: 'choice',
            path: 'wins',
            label: 'whose ask counts',
            value: wins,
            options: [
              ['highest', 'The highest ask counts'],
              ['first', 'The first in the list that asks counts'],
            ],
          },
          text('.'),
        ] as const)
      : []),
  ],
  now: ({ floor }, _explanation) => `asks ${formatPct(floor.offAllowed ? 0 : floor.speedPct)} %`,
  why: {
    formula: 'given = min(ceiling, max(floor, asks)); ramps squeezed: floor + share × (ceiling − floor)',
    source: `${ofCommonPractice}; cases in the reference values, ctl.ramp`,
  },
  isFixed: true,
  offers: () => [],
}
