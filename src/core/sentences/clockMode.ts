import type { WeekSpan } from '@/core/rules/weekSpan'
import { text } from '@/core/rules/kind'
import { listed, spanParts } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { modeNow } from '@/core/sentences/modeNow'

const WHOLE_WEEK: WeekSpan = { days: [0, 1, 2, 3, 4, 5, 6], startMin: 420, endMin: 1260 }

/** Day and night by the clock. */
export const clockMode: BehaviourKind<WeekSpan[]> = {
  places: onceAt('dayByWeek'),
  name: () => 'day and night by the clock',
  cause: () => 'time',
  sentence: (spans) => [
    text('It is day '),
    ...listed(
      ' and ',
      spans.map((span, index) => spanParts(String(index), span)),
    ),
    text(', and night otherwise.'),
  ],
  now: modeNow,
  why: () => ({
    formula: 'day within its times, night outside; the start counts, the end does not',
    source: ofCommonPractice,
  }),
  more: (spans) => [
    { label: 'Add a time of day', change: (draft) => void draft.push(WHOLE_WEEK) },
    ...(spans.length > 1
      ? [{ label: 'Take the last time away', change: (draft: WeekSpan[]) => void draft.pop() }]
      : []),
  ],
  offers: ({ response }) =>
    response.light || response.dayByWeek
      ? []
      : [
          {
            sentence: 'Day and night by the clock',
            words: 'night day clock week time mode',
            add: ({ response: draft }) => void (draft.dayByWeek = [WHOLE_WEEK]),
          },
        ],
}
