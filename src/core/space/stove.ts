import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'
import { oneNode, twoNodes, type OneNode, type TwoNodes } from '@/core/space/linear'
import { DRIVE, FLOW, READ, type RunningSpace } from '@/core/space/model'
import type { Stove } from '@/core/space/schema'

const AT = { fuelKg: 0, burning: 1, shellC: 2, flueC: 3, roomC: 4, heatIn: 5, heatAll: 6, gasLs: 7 } as const
/** Heat of air-dry wood, J/kg. From memory. */
const WOOD_J_KG = 15e6
/** A fire that has come down to so little fuel, as a share of a filling, glows only. Common practice, no source. */
const EMBER_EXPONENT = 0.67
/** Exponent of what a blower adds to the shell. From memory, forced convection over plates. */
const BLOWER_EXPONENT = 0.8
/** Share of its fire that a stove keeps without any draught, and the draught that gives all of it, Pa. Common practice, no source. */
const SMOULDER = 0.35
const FULL_DRAUGHT_PA = 12
const LEAK_EXPONENT = 0.65

/** Standard gravity. */
const GRAVITY_MS2 = 9.80665

/** Stack effect, Pa. Source: reference-values `air.flueDraught`, Δp = g h (353/T_out − 353/T_flue). */
export const stackPa = (heightM: number, outdoorC: number, flueC: number): number =>
  GRAVITY_MS2 * heightM * (353 / (outdoorC + 273.15) - 353 / (flueC + 273.15))

/** A fire, its shell, its flue and the room: the fire burns down by itself and brighter with draught; the flue draws by its stack and its fan, less
 *  what another extract takes from the house; a room-air blower takes heat from the shell. */
export function makeStove(serves: Stove): RunningSpace {
  const [shellJK, flueJK, roomJK] = [serves.shellKjK * 1000, serves.flueKjK * 1000, serves.roomKjK * 1000]
  const fire: OneNode = { end: 0, mean: 0 }
  const metal: TwoNodes = { end1: 0, end2: 0, mean1: 0, mean2: 0 }
  const room: OneNode = { end: 0, mean: 0 }
  const flueC = serves.flueLsAt10 / Math.sqrt(10)
  const houseC = serves.houseLeakLsAt10 / 10 ** LEAK_EXPONENT

  const draughtPa = (state: Float64Array, drives: Float64Array, flows: Float64Array): number => {
    const otherLs = drives[DRIVE.otherExtractLs]!
    return (
      stackPa(serves.flueM, drives[DRIVE.outdoorC]!, state[AT.flueC]!) +
      serves.flueFanPa * flows[FLOW.flueShare]! ** 2 -
      (otherLs > 0 ? (otherLs / houseC) ** (1 / LEAK_EXPONENT) : 0)
    )
  }

  /** The fire's heat over the step, W, burnt off the fuel. */
  function burn(state: Float64Array, drives: Float64Array, pressurePa: number, dtS: number): number {
    const fuelKg = state[AT.fuelKg]! + (drives[DRIVE.fuelKgH]! / 3600) * dtS
    const full = Math.min(1, fuelKg / serves.chargeKg)
    const aired = SMOULDER + (1 - SMOULDER) * Math.min(1.3, Math.max(0, pressurePa / FULL_DRAUGHT_PA))
    const towards = full > 0 ? full ** EMBER_EXPONENT * aired : 0
    oneNode(1 / serves.lightS, towards / serves.lightS, state[AT.burning]!, dtS, fire)
    const mostW = (fuelKg * WOOD_J_KG) / dtS
    const heatW = Math.min(mostW, serves.mostW * Math.max(0, fire.mean))
    state[AT.burning] = fire.end
    state[AT.fuelKg] = fuelKg - (heatW * dtS) / WOOD_J_KG
    return heatW
  }

  return {
    reads: ['flueC', 'shellC', 'airC', 'draughtPa'],
    start(drives) {
      const state = new Float64Array(AT.gasLs + 1)
      const roomC = Math.max(drives[DRIVE.outdoorC]!, 16)
      state[AT.shellC] = state[AT.flueC] = state[AT.roomC] = roomC
      return state
    },
    begin(state, readC, behindC) {
      state[AT.flueC] = readC
      state[AT.shellC] = behindC
    },
    step(state, drives, flows, _outputsOn, dtS, reads) {
      const outdoorC = drives[DRIVE.outdoorC]!
      const pressurePa = draughtPa(state, drives, flows)
      const heatW = burn(state, drives, pressurePa, dtS)
      const gasLs = flueC * Math.sqrt(Math.max(0, pressurePa))
      state[AT.gasLs] = gasLs
      const shellWK = serves.shellWK + serves.blowerWK * Math.min(1, flows[FLOW.overShare]!) ** BLOWER_EXPONENT
      // The gas leaves as warm as the metal of the flue: what it carries is a loss of that metal.
      const flueWK = serves.flueWK + HEAT_OF_AIR_J_PER_LK * gasLs
      const [roomC, shellShare] = [state[AT.roomC]!, 1 - serves.gasShare]
      twoNodes(
        shellWK / shellJK,
        0,
        0,
        flueWK / flueJK,
        (shellShare * heatW + shellWK * roomC) / shellJK,
        (serves.gasShare * heatW + flueWK * outdoorC) / flueJK,
        state[AT.shellC]!,
        state[AT.flueC]!,
        dtS,
        metal,
      )
      state[AT.shellC] = metal.end1
      state[AT.flueC] = metal.end2
      const toRoomW = shellWK * (metal.mean1 - roomC)
      oneNode(serves.roomWK / roomJK, (toRoomW + serves.roomWK * outdoorC) / roomJK, roomC, dtS, room)
      state[AT.roomC] = room.end
      const outW = serves.roomWK * (room.mean - outdoorC) + flueWK * (metal.mean2 - outdoorC)
      state[AT.heatIn]! += dtS * (heatW - outW)
      state[AT.heatAll]! += dtS * (heatW + Math.abs(outW))
      reads[READ.flueC] = metal.end2
      reads[READ.shellC] = metal.end1
      reads[READ.airC] = room.end
      reads[READ.draughtPa] = draughtPa(state, drives, flows)
    },
    stored: (state) => ({
      heatJ: shellJK * state[AT.shellC]! + flueJK * state[AT.flueC]! + roomJK * state[AT.roomC]!,
      waterKg: 0,
    }),
    passed: (state) => ({ heatJ: state[AT.heatIn]!, waterKg: 0, allHeatJ: state[AT.heatAll]!, allWaterKg: 0 }),
  }
}
