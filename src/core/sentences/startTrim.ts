import type { Response } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

/** The signal at which the fan just turns stands for 1 %. */
export const startTrim: BehaviourKind<NonNullable<Response['startTrim']>> = {
  places: onceAt('startTrim'),
  name: () => 'start trim',
  cause: () => 'speed',
  sentence: ({ signalPct }) => [
    text('The lowest speed is given as '),
    field('signalPct', 'start trim', 'speed', signalPct),
    text(' of the output, where the fan just turns; the rest of the range lies above it.'),
  ],
  trade: () => 'minimum output trim',
  now: () => 'always',
  why: () => ({
    formula: 'signal = trim + (100 − trim) × (speed − 1) ÷ 99; nothing at 0',
    source: `${ofCommonPractice}; cases in the reference values, sig.v010`,
  }),
  offers: ({ response }) =>
    response.startTrim
      ? []
      : [
          {
            sentence: 'Begin the range where the fan just turns',
            words: 'start trim minimum output turns signal',
            figure: { quantity: 'speed', typedUnit: '%' },
            add: ({ response: draft }, figurePct) => void (draft.startTrim = { signalPct: figurePct ?? 20 }),
          },
        ],
}
