import { text, type SentencePart } from '@/core/rules/kind'
import { MEMORIES, type Memory } from '@/core/rules/memory'
import { listed } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

const NAMES: Record<Memory, string> = {
  timers: 'time left of overruns and run-on',
  cycle: 'its place in a cycle',
  mode: 'day or night',
  latches: 'what was switched on or latched',
}

const choiceOf = (memory: Memory, keeps: readonly Memory[]): readonly SentencePart[] => [
  text(`${NAMES[memory]} is `),
  {
    kind: 'choice',
    path: '',
    label: `${NAMES[memory]}, without power`,
    value: keeps.includes(memory) ? 'kept' : 'lost',
    options: [
      ['kept', 'kept'],
      ['lost', 'lost'],
    ],
    puts: {
      kept: MEMORIES.filter((other) => other === memory || keeps.includes(other)),
      lost: keeps.filter((other) => other !== memory),
    },
  },
]

/** What the controller still knows when its supply comes back. */
export const powerMemory: BehaviourKind<readonly Memory[]> = {
  places: onceAt('keeps'),
  name: () => 'memory without power',
  cause: () => 'time',
  sentence: (keeps) => [
    text('Through a power cut '),
    ...listed(
      ', ',
      MEMORIES.map((memory) => choiceOf(memory, keeps)),
    ),
    text('.'),
  ],
  now: () => '–',
  why: () => ({ formula: 'what is not kept is as at first power', source: ofCommonPractice }),
  offers: ({ response }) =>
    response.keeps === undefined
      ? [
          {
            sentence: 'Say what it still knows after a power cut',
            words: 'power cut outage memory kept lost isolate supply',
            add: ({ response: draft }) => void (draft.keeps = ['latches']),
          },
        ]
      : [],
}
