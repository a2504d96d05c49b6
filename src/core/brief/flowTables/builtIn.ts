import type { FlowTable } from '@/core/brief/flowTable'
import otherBuildings from '@/core/brief/flowTables/england-other-buildings.json' with { type: 'json' }
import wetRooms from '@/core/brief/flowTables/england-wet-rooms.json' with { type: 'json' }

/** The tables that come with the program. Data, not code: the tests check them like anybody's own. */
export const BUILT_IN_TABLES = [wetRooms, otherBuildings] as readonly FlowTable[]
