import { makeAir } from '@/core/space/air'
import type { RunningSpace, SpaceContext } from '@/core/space/model'
import type { Room } from '@/core/space/schema'

/** A room: its air, fabric and water, and nothing more. */
export const makeRoom = (serves: Room, context: SpaceContext): RunningSpace => makeAir(serves, context)
