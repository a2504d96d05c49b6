import { SEA_LEVEL_PA } from '@/core/physics/moistAir'
import { saturationKpa } from '@/core/physics/saturation'
import { oneNode, type OneNode } from '@/core/space/linear'
import { DRIVE, FLOW, READ, type Read, type RunningSpace } from '@/core/space/model'
import type { Condenser } from '@/core/space/schema'

/** How long a compressor that tripped stays off, and how far the coil must have cooled first. Common practice, no source. */
const TRIP = { offS: 180, belowK: 12 }
/** What wind (a m/s) and rain add to the conductance of a coil whose fan stands, as shares of that in still dry air. Common practice, no source. */
const WIND_SHARE = 0.25
const RAIN_SHARE = 0.6

const COILS: readonly Read[] = ['coil1C', 'coil2C', 'coil3C']
/** A circuit keeps its temperature and how long it has still to stay off; the balance stands behind them. */
const PER_CIRCUIT = 2

/** A condenser: each circuit one store of heat, rejected to the air by a conductance that falls with the air (its power 0.5 to 0.8; common practice
 *  for dry coils). The head is the saturation pressure of the warmest circuit, bubble side, as a gauge shows it. */
export function makeCondenser(serves: Condenser): RunningSpace {
  const { circuits } = serves
  const coilJK = (serves.coilKjK * 1000) / circuits
  const node: OneNode = { end: 0, mean: 0 }
  const balance = circuits * PER_CIRCUIT
  /** What each circuit carries, as a share of an even one; together one each. */
  const carries = Array.from({ length: circuits }, (_, index) =>
    circuits === 1 ? 1 : 1 + serves.uneven * (0.5 - index / (circuits - 1)),
  )

  function conductanceWK(drives: Float64Array, share: number): number {
    const still = serves.stillWK * (1 + WIND_SHARE * drives[DRIVE.windMs]! + RAIN_SHARE * drives[DRIVE.rain]!)
    const blown = share > 0 ? serves.fullWK * Math.min(share, 1) ** serves.flowExponent : 0
    return Math.max(still, blown) / circuits
  }

  /** Heat a circuit rejects now; none while its compressor is off after a trip. */
  function rejectedW(state: Float64Array, circuit: number, drives: Float64Array, dtS: number): number {
    const at = circuit * PER_CIRCUIT
    if (state[at]! >= serves.tripC) state[at + 1] = TRIP.offS
    if (state[at + 1]! > 0) {
      state[at + 1] = state[at]! > serves.tripC - TRIP.belowK ? TRIP.offS : Math.max(0, state[at + 1]! - dtS)
      return 0
    }
    if (drives[DRIVE.supplyPct]! <= 0) return 0
    return (serves.rejectedW * drives[DRIVE.load]! * carries[circuit]!) / circuits
  }

  return {
    reads: [...COILS.slice(0, circuits), 'headKpa'],
    start(drives) {
      const state = new Float64Array(balance + 2)
      for (let circuit = 0; circuit < circuits; circuit++) state[circuit * PER_CIRCUIT] = drives[DRIVE.outdoorC]!
      return state
    },
    begin(state, readC) {
      for (let circuit = 0; circuit < circuits; circuit++) state[circuit * PER_CIRCUIT] = readC + serves.probeBelowK
    },
    step(state, drives, flows, _outputsOn, dtS, reads) {
      const perCircuit = conductanceWK(drives, flows[FLOW.overShare]!)
      const outdoorC = drives[DRIVE.outdoorC]!
      let warmest = -Infinity
      for (let circuit = 0; circuit < circuits; circuit++) {
        const at = circuit * PER_CIRCUIT
        const heatW = rejectedW(state, circuit, drives, dtS)
        // What it draws in again is warm: it works as so much less conductance.
        const wk = perCircuit * (1 - serves.recirculation)
        oneNode(wk / coilJK, (heatW + wk * outdoorC) / coilJK, state[at]!, dtS, node)
        state[at] = node.end
        const lostW = wk * (node.mean - outdoorC)
        state[balance]! += dtS * (heatW - lostW)
        state[balance + 1]! += dtS * (heatW + Math.abs(lostW))
        reads[READ[COILS[circuit]!]] = node.end - (heatW > 0 ? serves.probeBelowK : 0)
        if (node.end > warmest) warmest = node.end
      }
      reads[READ.headKpa] = saturationKpa(serves.fluid, 'bubble', warmest) - SEA_LEVEL_PA / 1000
    },
    stored: (state) => ({
      heatJ: Array.from({ length: circuits }, (_, circuit) => coilJK * state[circuit * PER_CIRCUIT]!).reduce(
        (sum, heat) => sum + heat,
        0,
      ),
      waterKg: 0,
    }),
    passed: (state) => ({ heatJ: state[balance]!, waterKg: 0, allHeatJ: state[balance + 1]!, allWaterKg: 0 }),
  }
}
