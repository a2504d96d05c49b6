import type { Response } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field, inputName, inputPart, isSwitch } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { ensureOwnInput, overrideNow } from '@/core/sentences/ensureInput'

type HeaterPurge = NonNullable<Response['heaterPurge']>

/** After heat was given the heater is never left without air. */
export const heaterPurge: BehaviourKind<HeaterPurge> = {
  places: onceAt('heaterPurge'),
  name: ({ input }, { response }) => `heater purge after ${inputName(response, input)}`,
  cause: () => 'switch',
  sentence: ({ input, speedPct, holdS }, { response }) => [
    text('While '),
    inputPart(response, 'input', 'what tells of heat', input, isSwitch),
    text(' gives heat, and for '),
    field('holdS', 'heater purge', 'time', holdS),
    text(' after, run at least '),
    field('speedPct', 'speed of the cool-down', 'speed', speedPct),
    text(', whatever else says off. Only isolating stops it.'),
  ],
  trade: () => 'heater purge',
  now: overrideNow('heater-purge'),
  why: () => ({
    formula: 'held = max(limited, heater purge speed) until its time is over',
    source: `${ofCommonPractice}: not less than 45 % for 30 to 200 s`,
  }),
  offers: ({ response }) =>
    response.heaterPurge
      ? []
      : [
          {
            sentence: 'After heat was given, run on until the heater is cool',
            words: 'cool down heater coil hold',
            figure: { quantity: 'time', typedUnit: 's' },
            add: (draft, figureS) => {
              const input = ensureOwnInput(draft, { id: 'heat', kind: 'switch', name: 'heater' })
              draft.response.heaterPurge = { input, speedPct: 45, holdS: figureS ?? 120 }
            },
          },
        ],
}
