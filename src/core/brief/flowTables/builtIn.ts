import { validator } from '@/core/document/validator'
import { FlowTable } from '@/core/brief/flowTable'
import otherBuildings from '@/core/brief/flowTables/england-other-buildings.json' with { type: 'json' }
import wetRooms from '@/core/brief/flowTables/england-wet-rooms.json' with { type: 'json' }

const read = validator(FlowTable)

/** The tables that come with the program. Data, not code: they are checked like anybody's own. */
export const BUILT_IN_TABLES: readonly FlowTable[] = [wetRooms, otherBuildings].map((data) => {
  const table = read(data)
  if (!table.ok) throw new Error('a built-in flow table does not fit')
  return table.value
})
