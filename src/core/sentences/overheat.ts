import type { Overheat } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field, inputName, inputPart, measures } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { overrideNow, newInput } from '@/core/sentences/ensureInput'

/** The controller's own heat. */
export const overheat: BehaviourKind<Overheat> = {
  places: ({ overrides }) => (overrides?.overheat ? ['overrides.overheat'] : []),
  name: ({ input }, { response }) => `overheat hold (${inputName(response, input)})`,
  cause: () => 'temperature',
  sentence: ({ input, onAt, offBelow }, { response }) => [
    text('When '),
    inputPart(response, 'input', 'what overheats', input, measures('temperature')),
    text(' reaches '),
    field('onAt', 'overheat, from', 'temperature', onAt),
    text(', run full and stop what follows, until it is below '),
    field('offBelow', 'overheat, until below', 'temperature', offBelow),
    text('.'),
  ],
  now: overrideNow('overheat'),
  why: () => ({
    formula: 'held = 100, followers 0, from the one point until below the other',
    source: ofCommonPractice,
  }),
  offers: ({ response }) =>
    response.overrides?.overheat
      ? []
      : [
          {
            sentence: 'When the controller itself gets too hot, run full and stop the make-up',
            words: 'overheat hot controller protect hold',
            add: ({ response: draft }) => {
              const input = newInput(draft, {
                id: 'box',
                kind: 'temperature',
                name: 'controller temperature',
                from: 0,
                to: 100,
              })
              draft.overrides = { ...draft.overrides, overheat: { input, onAt: 70, offBelow: 50 } }
            },
          },
        ],
}
