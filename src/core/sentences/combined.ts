import { freeId } from '@/core/json/freeId'
import { keysOf } from '@/core/json/path'
import { formatQuantity } from '@/core/quantity/format'
import { inputQuantity, isMeasured, type MeasuredInput } from '@/core/rules/input'
import { text } from '@/core/rules/kind'
import { inputCause, inputName, inputOf } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

type Combined = NonNullable<MeasuredInput['combines']>
const inputAt = (place: string): string => keysOf(place)[1] ?? ''

/** An input made of others. */
export const combined: BehaviourKind<Combined> = {
  places: ({ inputs }) =>
    inputs.flatMap((input) => (isMeasured(input) && input.combines ? [`inputs.${input.id}.combines`] : [])),
  name: (_value, { response }, place) => inputName(response, inputAt(place)),
  cause: (_value, { response }, place) => inputCause(inputOf(response, inputAt(place))),
  sentence: ({ of, how }, { response }, place) => [
    { kind: 'input', name: inputName(response, inputAt(place)) },
    text(' is the '),
    {
      kind: 'choice',
      path: 'how',
      label: `how ${inputName(response, inputAt(place))} is made`,
      value: how,
      options: [
        ['highest', 'highest'],
        ['lowest', 'lowest'],
        ['average', 'average'],
        ['difference', 'difference'],
      ],
    },
    text(` of ${of.map((id) => inputName(response, id)).join(' and ')}.`),
  ],
  now(_value, { chain }, { response, preference }, place) {
    const link = chain.find((candidate) => candidate.stage === 'sense' && candidate.input === inputAt(place))
    return link?.stage === 'sense' && !Number.isNaN(link.value)
      ? `is ${formatQuantity(link.value, inputQuantity(inputOf(response, inputAt(place))), preference)}`
      : 'no reading'
  },
  why: () => ({
    formula: 'lost readings are left out; a difference is the first less the second and needs both',
    source: ofCommonPractice,
  }),
  isFixed: true,
  offers({ response }) {
    const kinds = [...new Set(response.inputs.filter(isMeasured).map(({ kind }) => kind))]
    return kinds.flatMap((kind) => {
      const of = response.inputs.filter(
        (input): input is MeasuredInput => isMeasured(input) && input.kind === kind && !input.combines,
      )
      const [first] = of
      return of.length < 2 || !first
        ? []
        : [
            {
              sentence: `Make one ${kind} of several probes`,
              words: 'combine highest lowest average difference hottest probes',
              add: ({ response: draft }) => {
                const id = freeId(
                  draft.inputs.map((input) => input.id),
                  'combined',
                )
                draft.inputs.push({
                  id,
                  kind,
                  name: `combined ${kind}`,
                  from: first.from,
                  to: first.to,
                  combines: { of: of.slice(0, 8).map((input) => input.id), how: 'highest' },
                })
              },
            },
          ]
    })
  },
}
