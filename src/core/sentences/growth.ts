import { takeGrowthAway } from '@/core/response/takeAway'
import { text } from '@/core/rules/kind'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

/** The day from which growth is counted: a new batch is this one change. */
export const growth: BehaviourKind<string> = {
  places: onceAt('placedOn'),
  name: () => 'day of growth',
  cause: () => 'time',
  sentence: (value) => [
    text('Growth is counted from '),
    { kind: 'day', path: '', label: 'day they came', value, isDate: true },
    text('; that day is day 0.'),
  ],
  now: () => 'counts',
  why: () => ({ formula: 'day of growth = date − the day they came', source: ofCommonPractice }),
  isFixed: true,
  offers: ({ response }) =>
    response.placedOn === undefined
      ? [
          {
            sentence: 'Count days of growth from today',
            words: 'age day growth batch chicks placed',
            add: ({ response: draft }, _figure, today) => void (draft.placedOn = today),
          },
        ]
      : [
          {
            sentence: 'A new batch came today: count from day 0 again',
            words: 'age day growth batch chicks placed new',
            add: ({ response: draft }, _figure, today) => void (draft.placedOn = today),
          },
          {
            sentence: 'Count no days of growth',
            words: 'remove delete age growth',
            add: ({ response: draft }) => takeGrowthAway(draft),
          },
        ],
}
