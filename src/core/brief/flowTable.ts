import { Type, type Static } from '@sinclair/typebox'
import Papa from 'papaparse'
import { validator } from '@/core/document/validator'
import { bad, good, type Outcome, type Problem } from '@/core/problem'

const closed = { additionalProperties: false } as const
export const PER = ['room', 'person', 'm2'] as const
export type Per = (typeof PER)[number]

export const FLOW_TABLE_SCHEMA = 'soft-gale/flow-table@1'

/** What rooms want by somebody's rule: a technician's own, a client's, another country's. */
export const FlowTable = Type.Object(
  {
    schema: Type.Literal(FLOW_TABLE_SCHEMA),
    name: Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' }),
    /** Which edition of which rule, and how far it is to be trusted. */
    edition: Type.String({ minLength: 1, maxLength: 200, pattern: '\\S' }),
    rows: Type.Array(
      Type.Object(
        {
          room: Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' }),
          /** For each room, person or square metre (L/s). */
          flowLs: Type.Number({ exclusiveMinimum: 0, maximum: 1e5 }),
          per: Type.Union(PER.map((per) => Type.Literal(per))),
        },
        closed,
      ),
      { minItems: 1, maxItems: 100 },
    ),
  },
  closed,
)
export type FlowTable = Static<typeof FlowTable>

/** Rooms of a space by such a table. */
export const RoomList = Type.Object(
  {
    table: FlowTable,
    lines: Type.Array(
      Type.Object(
        { room: Type.String({ maxLength: 80 }), count: Type.Number({ exclusiveMinimum: 0, maximum: 10000 }) },
        closed,
      ),
      { maxItems: 60 },
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

const fits = validator(FlowTable)
const PERS: Record<string, Per> = { '': 'room', room: 'room', person: 'person', m2: 'm2', 'm²': 'm2' }

/** A table from a file: JSON of this kind, or a CSV with the columns room, flow in l/s, and for each room, person or m².
 *  @param name of the file, which stands for the table's name where it has none */
export function readFlowTable(text: string, name: string): Outcome<FlowTable> {
  if (text.trim() === '') return bad({ code: 'said', path: '', text: 'The file is empty.' })
  if (text.trimStart().startsWith('{')) {
    let data: unknown
    try {
      data = JSON.parse(text)
    } catch (error) {
      return bad({ code: 'not_json', path: '', detail: error instanceof Error ? error.message : 'unreadable' })
    }
    const read = fits(data)
    if (!read.ok) return read
    const problems = checkFlowTable(read.value)
    return problems.length > 0 ? bad(...problems) : read
  }
  const problems: Problem[] = []
  const said = (line: number, words: string) => problems.push({ code: 'said', path: `line ${line}`, text: words })
  const rows = Papa.parse<string[]>(text.trimEnd()).data.flatMap((cells, index): FlowTable['rows'] => {
    const [room = '', flow = '', per = ''] = cells.map((cell) => cell.trim())
    const flowLs = Number(flow.replace(',', '.'))
    if (index === 0 && !Number.isFinite(flowLs)) return []
    if (room === '' && flow === '') return []
    const unit = PERS[per.toLowerCase()]
    if (room === '') said(index + 1, 'there is a flow but no room; name the room, or take the line out.')
    else if (flow === '') said(index + 1, `${room} has no flow; write one in l/s, or take the line out.`)
    else if (!(flowLs > 0)) said(index + 1, `“${flow}” is no flow for ${room}; write l/s above zero.`)
    else if (!unit) said(index + 1, `“${per}” is not known; write room, person or m2.`)
    else return [{ room, flowLs, per: unit }]
    return []
  })
  if (problems.length > 0) return bad(...problems)
  if (rows.length === 0)
    return bad({ code: 'said', path: '', text: 'There is no line with a room and its flow: “showers;15;room”.' })
  const table: FlowTable = {
    schema: FLOW_TABLE_SCHEMA,
    name: name.replace(/\.[^.]*$/, '').slice(0, 80) || 'own table',
    edition: 'own table, edition not said',
    rows,
  }
  const twice = checkFlowTable(table)
  return twice.length > 0 ? bad(...twice) : good(table)
}
