import { assertNever } from '@/core/json/assertNever'
import { makeCondenser } from '@/core/space/condenser'
import { makeElectronics } from '@/core/space/electronics'
import { makeHall } from '@/core/space/hall'
import { makeHouse } from '@/core/space/house'
import type { RunningSpace, SpaceContext } from '@/core/space/model'
import { makeRoom } from '@/core/space/room'
import type { Serves } from '@/core/space/schema'
import { makeStove } from '@/core/space/stove'

/** A space that runs: one file a model. */
export function makeSpace(serves: Serves, context: SpaceContext): RunningSpace {
  switch (serves.kind) {
    case 'room':
      return makeRoom(serves, context)
    case 'house':
      return makeHouse(serves, context)
    case 'hall':
      return makeHall(serves, context)
    case 'condenser':
      return makeCondenser(serves)
    case 'stove':
      return makeStove(serves)
    case 'electronics':
      return makeElectronics(serves)
    default:
      return assertNever(serves)
  }
}
