import { findLink } from '@/core/machine/findLink'
import { formatPct } from '@/core/quantity/format'
import type { Reduction } from '@/core/response/schema'
import { inputQuantity } from '@/core/rules/input'
import { text } from '@/core/rules/kind'
import { field, inputCause, inputName, inputOf, inputPart, measures, pastPart } from '@/core/rules/sentence'
import { OUTDOOR } from '@/core/rules/usualInputs'
import { eachOf, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { ensureOwnInput } from '@/core/sentences/ensureInput'

/** Less air while an input is past a point. */
export const reduction: BehaviourKind<Reduction> = {
  places: eachOf('reductions'),
  name: ({ input }, { response }) => `reduction by ${inputName(response, input)}`,
  cause: ({ input }, { response }) => inputCause(inputOf(response, input)),
  sentence(value, { response }) {
    const name = inputName(response, value.input)
    return [
      text('While '),
      inputPart(response, 'input', 'what reduces', value.input, measures()),
      text(' is '),
      pastPart('when', `${name}, which side reduces`, value.when),
      text(' '),
      field('at', `${name}, reduces at`, inputQuantity(inputOf(response, value.input)), value.at),
      text(', run '),
      field('byPct', 'reduction', 'speed', value.byPct),
      text(' '),
      {
        kind: 'choice',
        path: 'how',
        label: 'of what the reduction is',
        value: value.how,
        options: [
          ['points', 'points'],
          ['relative', 'of the present speed'],
        ],
      },
      text(' less, never under the floor.'),
    ]
  },
  now(value, { chain }, { preference }) {
    const link = findLink(
      chain,
      'limit',
      'reduction',
      ({ reduction: by }) => by.input === value.input && by.at === value.at,
    )
    return link ? `reduces to ${formatPct(link.limitedPct, preference)} %` : 'idle'
  },
  why: () => ({
    formula: 'points: asked − n; of the present: asked × (1 − n ÷ 100); max(floor, …)',
    source: `${ofCommonPractice}; cases in the reference values, ctl.reduction`,
  }),
  offers: () => [
    {
      sentence: 'While it is cold outside, run less',
      words: 'reduce reduction frost outdoor less limit',
      figure: { quantity: 'speed', typedUnit: '%' },
      add: (draft, figurePct) => {
        const input = ensureOwnInput(draft, OUTDOOR)
        const { response } = draft
        response.reductions = [
          ...(response.reductions ?? []),
          { input, when: 'at-or-below', at: -10, byPct: figurePct ?? 20, how: 'points' },
        ]
      },
    },
  ],
}
