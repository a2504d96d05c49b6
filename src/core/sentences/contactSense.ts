import { keysOf } from '@/core/json/path'
import { isMeasured } from '@/core/rules/input'
import { text } from '@/core/rules/kind'
import { inputName } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

const inputAt = (place: string): string => keysOf(place)[1] ?? ''

/** What a contact does when it comes on, and so what a cut lead is taken for. */
export const contactSense: BehaviourKind<'closes' | 'opens'> = {
  places: ({ inputs }) =>
    inputs.flatMap((input) =>
      !isMeasured(input) && input.contact !== undefined ? [`inputs.${input.id}.contact`] : [],
    ),
  name: (_value, { response }, place) => `contact of ${inputName(response, inputAt(place))}`,
  cause: () => 'switch',
  sentence: (value, { response }, place) => [
    { kind: 'input', name: inputName(response, inputAt(place)) },
    text(' comes on when its contact '),
    {
      kind: 'choice',
      path: '',
      label: `contact of ${inputName(response, inputAt(place))}`,
      value,
      options: [
        ['closes', 'closes (normally open)'],
        ['opens', 'opens (normally closed)'],
      ],
    },
    text(value === 'opens' ? '; with its lead cut it is on.' : '; with its lead cut it is off.'),
  ],
  trade: (value) => (value === 'opens' ? 'normally closed' : 'normally open'),
  now: () => 'always',
  why: () => ({ formula: 'a cut lead reads as an open contact', source: ofCommonPractice }),
  offers: ({ response }) =>
    response.inputs.flatMap((input) =>
      !isMeasured(input) && input.contact === undefined
        ? [
            {
              sentence: `Say what the contact of ${input.name} does when it comes on`,
              words: 'contact normally open closed no nc sense',
              add: ({ response: draft }) => {
                const held = draft.inputs.find(({ id }) => id === input.id)
                if (held && !isMeasured(held)) held.contact = 'opens'
              },
            },
          ]
        : [],
    ),
}
