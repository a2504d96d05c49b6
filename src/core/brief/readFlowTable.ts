import Papa from 'papaparse'
import { checkFlowTable, FLOW_TABLE_SCHEMA, FlowTable, type Per } from '@/core/brief/flowTable'
import { bad, good, type Outcome, type Problem } from '@/core/json/problem'
import { validator } from '@/core/json/validator'

const fits = validator(FlowTable, FLOW_TABLE_SCHEMA)
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
