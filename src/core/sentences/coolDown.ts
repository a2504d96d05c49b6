import type { Response } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field, inputName, inputPart, isSwitch } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { ensureOwnInput, holdNow } from '@/core/sentences/ensureInput'

type CoolDown = NonNullable<Response['coolDown']>

/** After heat was given the heater is never left without air. */
export const coolDown: BehaviourKind<CoolDown> = {
  places: onceAt('coolDown'),
  name: ({ input }, { response }) => `cool-down after ${inputName(response, input)}`,
  cause: () => 'switch',
  sentence: ({ input, speedPct, holdS }, { response }) => [
    text('While '),
    inputPart(response, 'input', 'what tells of heat', input, isSwitch),
    text(' gives heat, and for '),
    field('holdS', 'cool-down', 'time', holdS),
    text(' after, run at least '),
    field('speedPct', 'speed of the cool-down', 'speed', speedPct),
    text(', whatever else says off. Only isolating stops it.'),
  ],
  trade: () => 'heater purge',
  now: holdNow('cool-down'),
  why: () => ({
    formula: 'held = max(limited, cool-down speed) until its time is over',
    source: `${ofCommonPractice}: not less than 45 % for 30 to 200 s`,
  }),
  offers: ({ response }) =>
    response.coolDown
      ? []
      : [
          {
            sentence: 'After heat was given, run on until the heater is cool',
            words: 'cool down heater coil hold',
            figure: { quantity: 'time', typedUnit: 's' },
            add: (draft, figureS) => {
              const input = ensureOwnInput(draft, { id: 'heat', kind: 'switch', name: 'heater' })
              draft.response.coolDown = { input, speedPct: 45, holdS: figureS ?? 120 }
            },
          },
        ],
}
