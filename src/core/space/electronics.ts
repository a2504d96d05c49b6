import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'
import { twoNodes, type TwoNodes } from '@/core/space/linear'
import { DRIVE, FLOW, READ, type RunningSpace } from '@/core/space/model'
import type { Electronics } from '@/core/space/schema'

const AT = { sinkC: 0, airC: 1, ageS: 2, heatIn: 3, heatAll: 4 } as const
const MONTH_S = 30.4 * 86400

/** A cupboard with a heat sink: two stores of heat, a conductance that rises with the air and falls with the dust of the months, and air through it
 *  from outside. */
export function makeElectronics(serves: Electronics): RunningSpace {
  const [sinkJK, airJK] = [serves.sinkKjK * 1000, serves.airKjK * 1000]
  const heat: TwoNodes = { end1: 0, end2: 0, mean1: 0, mean2: 0 }
  return {
    reads: ['componentC', 'airC'],
    start(drives) {
      const state = new Float64Array(AT.heatAll + 1)
      state[AT.sinkC] = state[AT.airC] = drives[DRIVE.outdoorC]!
      return state
    },
    begin(state, readC, behindC) {
      state[AT.sinkC] = readC
      state[AT.airC] = behindC
    },
    step(state, drives, flows, _outputsOn, dtS, reads) {
      const clear = (1 - serves.dustPctMonth / 100) ** (state[AT.ageS]! / MONTH_S)
      state[AT.ageS]! += dtS
      const share = Math.max(flows[FLOW.overShare]!, 0) * clear
      const through = Math.max(flows[FLOW.outLs]!, flows[FLOW.inLs]!, flows[FLOW.overLs]!) * clear
      const sinkWK = serves.stillWK + serves.fullWK * share ** serves.flowExponent
      const outWK = serves.wallWK + HEAT_OF_AIR_J_PER_LK * through
      const outdoorC = drives[DRIVE.outdoorC]!
      const [lossW, sunW] = [serves.heatW * drives[DRIVE.load]!, serves.sunM2 * drives[DRIVE.sunWM2]!]
      twoNodes(
        sinkWK / sinkJK,
        sinkWK / sinkJK,
        sinkWK / airJK,
        (sinkWK + outWK) / airJK,
        lossW / sinkJK,
        (sunW + outWK * outdoorC) / airJK,
        state[AT.sinkC]!,
        state[AT.airC]!,
        dtS,
        heat,
      )
      state[AT.sinkC] = heat.end1
      state[AT.airC] = heat.end2
      const outW = outWK * (heat.mean2 - outdoorC)
      state[AT.heatIn]! += dtS * (lossW + sunW - outW)
      state[AT.heatAll]! += dtS * (lossW + sunW + Math.abs(outW))
      reads[READ.componentC] = heat.end1 + lossW * serves.junctionKW
      reads[READ.airC] = heat.end2
    },
    stored: (state) => ({ heatJ: sinkJK * state[AT.sinkC]! + airJK * state[AT.airC]!, waterKg: 0 }),
    passed: (state) => ({ heatJ: state[AT.heatIn]!, waterKg: 0, allHeatJ: state[AT.heatAll]!, allWaterKg: 0 }),
  }
}
