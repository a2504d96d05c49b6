import Papa from 'papaparse'
import { checkFlowTable, FLOW_TABLE_SCHEMA, FlowTable, type Per } from '@/core/brief/flowTable'
import { fail, ok, type Outcome, type Problem } from '@/core/json/problem'
import { validator } from '@/core/json/validator'

const fits = validator(FlowTable, FLOW_TABLE_SCHEMA)
const PERS: Record<string, Per> = { '': 'room', room: 'room', person: 'person', m2: 'm2', 'm²': 'm2' }

/** A table from a file: JSON of this kind, or a CSV with the columns room, flow in l/s, and for each room, person or m².
 *  @param name of the file, which stands for the table's name where it has none */
export function readFlowTable(text: string, name: string): Outcome<FlowTable> {
  if (text.trim() === '') return fail({ code: 'empty_file', path: '' })
  if (text.trimStart().startsWith('{')) {
    let data: unknown
    try {
      data = JSON.parse(text)
    } catch (error) {
      return fail({ code: 'not_json', path: '', detail: error instanceof Error ? error.message : 'unreadable' })
    }
    const read = fits(data)
    if (!read.ok) return read
    const problems = checkFlowTable(read.value)
    return problems.length > 0 ? fail(...problems) : read
  }
  const problems: Problem[] = []
  const rows = Papa.parse<string[]>(text.trimEnd()).data.flatMap((cells, index): FlowTable['rows'] => {
    const [room = '', flow = '', per = ''] = cells.map((cell) => cell.trim())
    const flowLs = Number(flow.replace(',', '.'))
    if (index === 0 && !Number.isFinite(flowLs)) return []
    if (room === '' && flow === '') return []
    const unit = PERS[per.toLowerCase()]
    const path = `line ${index + 1}`
    if (room === '') problems.push({ code: 'flow_without_room', path })
    else if (flow === '') problems.push({ code: 'room_without_flow', path, room })
    else if (!(flowLs > 0)) problems.push({ code: 'no_flow', path, got: flow, room })
    else if (!unit) problems.push({ code: 'unknown_per', path, got: per })
    else return [{ room, flowLs, per: unit }]
    return []
  })
  if (problems.length > 0) return fail(...problems)
  if (rows.length === 0) return fail({ code: 'no_table_lines', path: '' })
  const table: FlowTable = {
    schema: FLOW_TABLE_SCHEMA,
    name: name.replace(/\.[^.]*$/, '').slice(0, 80) || 'own table',
    edition: 'own table, edition not said',
    rows,
  }
  const twice = checkFlowTable(table)
  return twice.length > 0 ? fail(...twice) : ok(table)
}
