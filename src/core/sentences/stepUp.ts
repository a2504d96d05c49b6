import { findLink } from '@/core/machine/findLink'
import type { StepUp } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field, listed } from '@/core/rules/sentence'
import { eachOf, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { conditionChoices, conditionParts } from '@/core/sentences/condition'
import { ensureOwnInput } from '@/core/sentences/ensureInput'

/** So many gears more while something stands: the open door of a curtain. */
export const stepUp: BehaviourKind<StepUp> = {
  places: eachOf('stepUps'),
  name: ({ by }) => `${by} ${by === 1 ? 'speed' : 'speeds'} more`,
  cause: () => 'switch',
  sentence: ({ by, onlyWhile }, { response }) => [
    text('Run '),
    field('by', 'speeds more', 'count', by),
    text(by === 1 ? ' named speed more while ' : ' named speeds more while '),
    ...listed(
      ' and ',
      onlyWhile.map((condition, index) => conditionParts(`onlyWhile.${index}`, condition, response)),
    ),
    text('; the highest of them is the top.'),
  ],
  now: (_value, { chain }) => {
    const link = findLink(chain, 'limit', 'step-up')
    return link ? `${link.by} more` : 'idle'
  },
  why: () => ({
    formula: 'the named speed that lies so many above the one asked; the highest where there are not so many',
    source: ofCommonPractice,
  }),
  more: (_value, { response }) =>
    conditionChoices(response).map(({ words, condition }) => ({
      label: `And only while ${words}`,
      change: (draft) => void draft.onlyWhile.push(condition),
    })),
  offers: ({ response }) =>
    response.speeds
      ? [
          {
            sentence: 'Some speeds more while the door is open',
            words: 'gear door open more step up boost',
            add: (draft) => {
              const input = ensureOwnInput(draft, { id: 'door', kind: 'switch', name: 'door', role: 'door' })
              const stepUps = draft.response.stepUps ?? []
              draft.response.stepUps = [...stepUps, { by: 1, onlyWhile: [{ kind: 'switch', input, is: 'on' }] }]
            },
          },
        ]
      : [],
}
