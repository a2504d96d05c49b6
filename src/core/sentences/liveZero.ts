import { keysOf } from '@/core/json/path'
import { inputQuantity, isMeasured } from '@/core/rules/input'
import { text } from '@/core/rules/kind'
import { field, inputCause, inputName, inputOf } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

const inputAt = (place: string): string => keysOf(place)[1] ?? ''

/** A signal that is never as low as this while its lead is whole: below it the reading counts as lost. */
export const liveZero: BehaviourKind<number> = {
  places: ({ inputs }) =>
    inputs.flatMap((input) =>
      isMeasured(input) && input.lostBelow !== undefined ? [`inputs.${input.id}.lostBelow`] : [],
    ),
  name: (_value, { response }, place) => `living zero of ${inputName(response, inputAt(place))}`,
  cause: (_value, { response }, place) => inputCause(inputOf(response, inputAt(place))),
  sentence(value, { response }, place) {
    const input = inputOf(response, inputAt(place))
    const name = input?.name ?? inputAt(place)
    return [
      text('Below '),
      field('', `${name}, counts as lost below`, inputQuantity(input), value),
      text(' '),
      { kind: 'input', name },
      text(' counts as lost: its lead is cut, or nobody sends.'),
    ]
  },
  trade: () => 'live zero',
  now: () => 'watches',
  why: () => ({ formula: 'reading < this → no reading', source: ofCommonPractice }),
  offers: ({ response }) =>
    response.inputs.filter(isMeasured).flatMap((input) =>
      input.kind === 'volts' && input.lostBelow === undefined
        ? [
            {
              sentence: `Below a voltage ${input.name} counts as lost`,
              words: 'signal lost cut lead live zero volts',
              figure: { quantity: 'volts', typedUnit: 'V' } as const,
              add: ({ response: draft }, figureV) => {
                const held = draft.inputs.find(({ id }) => id === input.id)
                if (held && isMeasured(held)) held.lostBelow = figureV ?? 1
              },
            },
          ]
        : [],
    ),
}
