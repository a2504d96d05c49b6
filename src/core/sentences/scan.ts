import { text } from '@/core/rules/kind'
import { field } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

/** Inputs are read now and then. */
export const scan: BehaviourKind<number> = {
  places: onceAt('scanS'),
  name: () => 'scan interval',
  cause: () => 'time',
  sentence: (scanS) => [
    text('Read the inputs every '),
    { ...field('', 'scan interval', 'time', scanS), limits: [0, 3600] },
    text('.'),
  ],
  now: () => '–',
  why: () => ({ formula: 'between two scans every input keeps its last reading', source: ofCommonPractice }),
  offers: ({ response }) =>
    response.scanS === undefined
      ? [
          {
            sentence: 'Read the inputs only every so many seconds',
            words: 'scan interval sample read slow',
            figure: { quantity: 'time', typedUnit: 's' },
            add: ({ response: draft }, figureS) => void (draft.scanS = figureS ?? 10),
          },
        ]
      : [],
}
