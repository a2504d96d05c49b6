import type { Response } from '@/core/response/schema'
import { takeSeasonsAway } from '@/core/response/takeAway'
import type { Season } from '@/core/rules/yearDay'
import { text, type SentencePart } from '@/core/rules/kind'
import { listed } from '@/core/rules/sentence'
import { onceAt, ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'

const dayPart = (path: string, label: string, value: string): SentencePart => ({
  kind: 'day',
  path,
  label,
  value,
  isDate: false,
})

/** Warm and cool half of a year, to begin with; either may be either, north and south. Common practice, no source. */
const HALVES: readonly Season[] = [
  { id: 'warm', name: 'warm season', from: '04-16', to: '10-14' },
  { id: 'cool', name: 'cool season', from: '10-15', to: '04-15' },
]

/** Parts of the year, and which of them stands on a controller that knows no date. */
export const seasons: BehaviourKind<Season[]> = {
  places: onceAt('seasons'),
  name: () => 'seasons',
  cause: () => 'time',
  sentence: (list, { response }) => [
    text('The year: '),
    ...listed(
      ', ',
      list.map(({ name, from, to }, index) => [
        text(`${name} from `),
        dayPart(`${index}.from`, `${name}, first day`, from),
        text(' to '),
        dayPart(`${index}.to`, `${name}, last day`, to),
      ]),
    ),
    text(
      response.seasonNow === undefined
        ? '; the controller goes by the date.'
        : `; it is put to ${list.find(({ id }) => id === response.seasonNow)?.name ?? response.seasonNow} by hand.`,
    ),
  ],
  now: (list, _explanation, { response }) =>
    response.seasonNow === undefined ? 'by the date' : (list.find(({ id }) => id === response.seasonNow)?.name ?? '–'),
  why: () => ({
    formula: 'the season that holds the day; its first and last day both count',
    source: ofCommonPractice,
  }),
  isFixed: true,
  more: () => [],
  offers: ({ response }) =>
    response.seasons
      ? [
          ...response.seasons
            .filter(({ id }) => id !== response.seasonNow)
            .map(({ id, name }) => ({
              sentence: `Put it to the ${name} by hand`,
              words: 'season change over summer winter by hand profile',
              add: ({ response: draft }: { response: { seasonNow?: string } }) => void (draft.seasonNow = id),
            })),
          {
            sentence: 'Take the seasons away',
            words: 'remove delete season year',
            add: ({ response: draft }: { response: Response }) => takeSeasonsAway(draft),
          },
          ...(response.seasonNow === undefined
            ? []
            : [
                {
                  sentence: 'Let the controller go by the date',
                  words: 'season date calendar automatic',
                  add: ({ response: draft }: { response: { seasonNow?: string } }) => void delete draft.seasonNow,
                },
              ]),
        ]
      : [
          {
            sentence: 'Divide the year into a warm and a cool season',
            words: 'season summer winter date profile year',
            add: ({ response: draft }) => void (draft.seasons = HALVES.map((season) => ({ ...season }))),
          },
        ],
}
