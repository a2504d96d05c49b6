import { freeId } from '@/core/json/freeId'
import { formatQuantity } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { takeTargetAway } from '@/core/response/takeAway'
import type { Target } from '@/core/response/target'
import { text, type MoreAction, type SentencePart } from '@/core/rules/kind'
import { field, listed, spanParts, WEEKEND } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind, type SentenceContext } from '@/core/sentences/behaviour'
import { ensureInput } from '@/core/sentences/ensureInput'
import { seasonPart } from '@/core/sentences/tie'
import { ROOM_TEMP } from '@/core/rules/usualInputs'

type Change = NonNullable<Target['changes']>[number]

/** When another value counts: “by night”, “in the cool season”, “Sat from 08:00 to 17:00”. */
function whenParts(path: string, { mode, season, spans }: Change, response: Response): readonly SentencePart[] {
  return [
    ...(mode === undefined ? [] : [text(`by ${mode} `)]),
    ...(season === undefined ? [] : [text('in the '), seasonPart(response, `${path}.season`, season), text(' ')]),
    ...(spans
      ? [
          ...listed(
            ' and ',
            spans.map((span, index) => spanParts(`${path}.spans.${index}`, span)),
          ),
          text(' '),
        ]
      : []),
  ]
}

const addChange =
  (change: Omit<Change, 'at'>) =>
  (draft: Target): void =>
    void (draft.changes = [...(draft.changes ?? []), { ...change, at: draft.at }])

function changeActions(
  { id: own, kind, changes = [], byAge, at, follows }: Target,
  { response }: SentenceContext,
): readonly MoreAction<Target>[] {
  return [
    ...(response.light || response.dayByWeek
      ? [{ label: 'Another value by night', change: addChange({ mode: 'night' }) }]
      : []),
    ...(response.seasons ?? []).map(({ id, name }) => ({
      label: `Another value in the ${name}`,
      change: addChange({ season: id }),
    })),
    { label: 'Another value at some hours', change: addChange({ spans: [WEEKEND] }) },
    ...(changes.length > 0
      ? [
          {
            label: 'Take the last other value away',
            change: (draft: Target) => {
              draft.changes?.pop()
              if (draft.changes?.length === 0) delete draft.changes
            },
          },
        ]
      : []),
    ...(response.placedOn === undefined
      ? []
      : [
          {
            label: byAge ? 'It no longer goes by age' : 'Let it go by age',
            change: (draft: Target) => {
              if (byAge) delete draft.byAge
              else
                draft.byAge = [
                  { day: 0, at },
                  { day: 28, at: at - 8 },
                ]
            },
          },
        ]),
    ...(byAge
      ? [
          {
            label: 'Add a day to its table',
            change: (draft: Target) =>
              void draft.byAge?.push({ ...draft.byAge.at(-1)!, day: draft.byAge.at(-1)!.day + 7 }),
          },
        ]
      : []),
    ...(follows === undefined
      ? (response.targets ?? [])
          .filter((other) => other.kind === kind && other.id !== own && other.follows !== own)
          .map(({ id, name }) => ({
            label: `Let it move with ${name}`,
            change: (draft: Target) => void (draft.follows = id),
          }))
      : [{ label: 'Let it stand by itself', change: (draft: Target) => void delete draft.follows }]),
  ]
}

/** What the room is to have; what is tied to it moves with it. */
export const target: BehaviourKind<Target> = {
  places: ({ targets = [] }) => targets.map(({ id }) => `targets.${id}`),
  name: ({ name }) => name,
  cause: ({ kind }) => kind,
  sentence: ({ name, kind, at, changes = [], byAge, follows }, { response }) => [
    { kind: 'input', name },
    text(' is '),
    field('at', name, kind, at),
    ...changes.flatMap((change, index) => [
      text('; '),
      ...whenParts(`changes.${index}`, change, response),
      field(`changes.${index}.at`, `${name}, other value ${index + 1}`, kind, change.at),
    ]),
    ...(byAge
      ? [
          text('; by age '),
          ...listed(
            ', ',
            byAge.map((row, index) => [
              field(`byAge.${index}.at`, `${name} on day ${row.day}`, kind, row.at),
              text(' on day '),
              field(`byAge.${index}.day`, `${name}, row ${index + 1}, day`, 'count', row.day),
            ]),
          ),
        ]
      : []),
    text(
      follows === undefined
        ? '. Points tied to it move with it.'
        : `. It moves with ${response.targets?.find(({ id }) => id === follows)?.name ?? follows}, and what is tied to it with both.`,
    ),
  ],
  trade: () => 'set point',
  now({ id, at, kind }, { targets }, { preference }) {
    return formatQuantity(at + (targets[id] ?? 0), kind, preference)
  },
  why: () => ({
    formula:
      'the first other value that stands, else the one of its age, else its own; tied points keep their distance',
    source: ofCommonPractice,
  }),
  isFixed: true,
  more: changeActions,
  offers: ({ response }) => [
    ...(response.targets ?? []).map(({ id, name }) => ({
      sentence: `Take the target “${name}” away; its points stay`,
      words: 'remove delete free target',
      add: ({ response: draft }: { response: Response }) => takeTargetAway(draft, id),
    })),
    {
      sentence: response.targets ? 'Another target to which points are tied' : 'A target to which points are tied',
      words: 'target tied comfort wanted heat cool',
      figure: { quantity: 'temperature' as const, typedUnit: '°C' },
      add(draft, figureC) {
        const input = draft.response.inputs.find(({ id }) => id === ensureInput(draft, ROOM_TEMP))
        const targets = draft.response.targets ?? []
        const id = freeId(
          targets.map((known) => known.id),
          'target',
        )
        draft.response.targets = [
          ...targets,
          {
            id,
            name: targets.length === 0 ? 'target' : `target ${targets.length + 1}`,
            kind: input?.kind === 'switch' ? 'temperature' : (input?.kind ?? 'temperature'),
            at: figureC ?? 21,
          },
        ]
      },
    },
  ],
}
