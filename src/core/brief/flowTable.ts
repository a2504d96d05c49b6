import { Type, type Static } from '@sinclair/typebox'
import type { Problem } from '@/core/json/problem'
import { about, closed, documentSchema } from '@/core/json/vocabulary'

const PER = ['room', 'person', 'm2'] as const
export type Per = (typeof PER)[number]

export const FLOW_TABLE_SCHEMA = 'soft-gale/flow-table@1'

/** What rooms want by somebody's rule: a technician's own, a client's, another country's. */
export const FlowTable = Type.Object(
  {
    schema: documentSchema(FLOW_TABLE_SCHEMA),
    name: about('what people call it', Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' })),
    edition: about(
      'which edition of which rule, and how far it is to be trusted',
      Type.String({ minLength: 1, maxLength: 200, pattern: '\\S' }),
    ),
    rows: about(
      'the rooms it knows',
      Type.Array(
        Type.Object(
          {
            room: about('what kind of room', Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' })),
            flowLs: about(
              'for each room, person or square metre (L/s)',
              Type.Number({ exclusiveMinimum: 0, maximum: 1e5 }),
            ),
            per: about(
              'what the flow is for: the room, each person, each square metre',
              Type.Union(PER.map((per) => Type.Literal(per))),
            ),
          },
          closed,
        ),
        { minItems: 1, maxItems: 100 },
      ),
    ),
  },
  closed,
)
export type FlowTable = Static<typeof FlowTable>

/** Rooms of a space by such a table. */
export const RoomList = Type.Object(
  {
    table: about('the table they are looked up in', FlowTable),
    lines: about(
      'the rooms',
      Type.Array(
        Type.Object(
          {
            room: about('a room of the table', Type.String({ maxLength: 80 })),
            count: about(
              'how many rooms, persons or square metres',
              Type.Number({ exclusiveMinimum: 0, maximum: 10000 }),
            ),
          },
          closed,
        ),
        { maxItems: 60 },
      ),
    ),
  },
  closed,
)
export type RoomList = Static<typeof RoomList>

/** What these rooms want together (L/s); rooms the table does not have are left out and named. */
export function roomsFlow({ table, lines }: RoomList): {
  readonly flowLs: number
  readonly unknown: readonly string[]
} {
  let flowLs = 0
  const unknown: string[] = []
  for (const { room, count } of lines) {
    const row = table.rows.find((candidate) => candidate.room === room)
    if (row) flowLs += count * row.flowLs
    else unknown.push(room)
  }
  return { flowLs, unknown }
}

/** What a table contradicts itself in, besides its shape. */
export const checkFlowTable = ({ rows }: FlowTable): Problem[] =>
  rows.flatMap(({ room }, index) =>
    rows.findIndex((other) => other.room === room) < index
      ? [{ code: 'duplicate_id' as const, path: `rows.${index}.room`, what: 'room', got: room }]
      : [],
  )
