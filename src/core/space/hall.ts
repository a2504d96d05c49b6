import { clamp } from '@/core/json/clamp'
import { makeAir } from '@/core/space/air'
import { FLOW, READ, type RunningSpace, type SpaceContext } from '@/core/space/model'
import type { Hall } from '@/core/space/schema'

/** How far the thermostat of the heater lets the hall fall before it heats again, K. Common practice, no source. */
const THERMOSTAT_K = 0.8
/** Air over the heater below which it must not be on, as a share of full. Common practice, no source. */
const LEAST_SHARE = 0.1

/** A hall with a door and a curtain over it: the doorway exchanges by buoyancy, the stream holds most of it back once it reaches the floor, a heater
 *  sits in the stream. */
export function makeHall(serves: Hall, context: SpaceContext): RunningSpace {
  const air = makeAir(serves, context, serves.doorHeightM)
  const heats = air.own
  return {
    ...air,
    reads: [...air.reads, 'heatOn', 'floorReached'],
    start: (drives) => air.start(drives),
    step(state, drives, flows, outputsOn, dtS, reads) {
      const share = flows[FLOW.overShare]!
      const floorShare = serves.floorPct / 100
      const reaches = clamp(share / Math.max(floorShare, 1e-6), 0, 1)
      // A stream that falls short of the floor holds back little: the cold comes in beneath it.
      const held = serves.holds * reaches ** 3
      const airC = air.airC(state)
      if (airC <= serves.heaterToC - THERMOSTAT_K) state[heats] = 1
      else if (airC >= serves.heaterToC) state[heats] = 0
      const isOn = state[heats] === 1 && share >= LEAST_SHARE && serves.heaterW > 0
      air.sources.heatW = isOn ? serves.heaterW : 0
      air.sources.doorShare = 1 - held
      air.step(state, drives, flows, outputsOn, dtS, reads)
      reads[READ.heatOn] = isOn ? 1 : 0
      reads[READ.heatingW]! += isOn ? serves.heaterW : 0
      reads[READ.floorReached] = reaches
    },
  }
}
