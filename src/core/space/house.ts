import { clamp } from '@/core/json/clamp'
import { animal, houseSplit, USUAL_FIGURES } from '@/core/physics/animals'
import { CO2_M3H_PER_UNIT } from '@/core/physics/balances'
import { makeAir } from '@/core/space/air'
import { DRIVE, type RunningSpace, type SpaceContext } from '@/core/space/model'
import type { House } from '@/core/space/schema'

/** A house with animals: they give heat, water and carbon dioxide by CIGR 2002 (from memory, reference-values `cigr.*`), more with every day, and
 *  less of it as heat the warmer they have it. Air comes through inlets. */
export function makeHouse(serves: House, context: SpaceContext): RunningSpace {
  const air = makeAir(serves, context)
  const kind = animal(serves.animal)
  const grownS = air.own
  // Young animals change little over an hour: their heat is reckoned anew only so often.
  let [unitsFor, units] = [-1, 0]
  return {
    ...air,
    start: (drives) => air.start(drives),
    step(state, drives, flows, outputsOn, dtS, reads) {
      const hour = Math.floor(state[grownS]! / 3600)
      if (hour !== unitsFor) {
        const massKg = serves.massKg + (serves.gainKgDay * hour) / 24
        ;[unitsFor, units] = [hour, (serves.count * kind.heatW(massKg, USUAL_FIGURES)) / 1000]
      }
      state[grownS]! += dtS
      // The equations hold from 0 to 40 °C.
      const { sensibleW, waterGH } = houseSplit(kind.like, units * drives[DRIVE.load]!, clamp(air.airC(state), 0, 40))
      air.sources.heatW = Math.max(0, sensibleW)
      air.sources.waterGH = waterGH
      air.sources.co2Lh = units * drives[DRIVE.load]! * CO2_M3H_PER_UNIT * 1000
      air.step(state, drives, flows, outputsOn, dtS, reads)
    },
  }
}
