import type { LightMode } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field, inputName, inputPart, measures } from '@/core/rules/sentence'
import { LIGHT } from '@/core/rules/usualInputs'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { ensureInput } from '@/core/sentences/ensureInput'
import { modeNow } from '@/core/sentences/modeNow'

/** Day and night by light. */
export const lightMode: BehaviourKind<LightMode> = {
  places: onceAt('light'),
  name: ({ input }, { response }) => `day and night by ${inputName(response, input)}`,
  cause: () => 'light',
  sentence: ({ input, level, delayS }, { response }) => [
    text('It is day while '),
    inputPart(response, 'input', 'light sensor', input, measures('light')),
    text(' is '),
    field('level', 'level of day', 'light', level),
    text(' or more, and night below; it changes after '),
    field('delayS', 'delay of day and night', 'time', delayS),
    text(' without a break.'),
  ],
  now: modeNow,
  why: () => ({
    formula: 'day at or above the level; the other mode after the delay without a break',
    source: ofCommonPractice,
  }),
  offers: ({ response }) =>
    response.light || response.dayByWeek
      ? []
      : [
          {
            sentence: 'Day and night by light',
            words: 'night day light lamp mode sensor',
            figure: { quantity: 'light', typedUnit: 'lx' },
            add: (draft, figureLx) => {
              draft.response.light = { input: ensureInput(draft, LIGHT), level: figureLx ?? 50, delayS: 60 }
            },
          },
        ],
}
