import { clamp } from '@/core/json/clamp'
import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'
import { quickHumidityPct, quickRatio } from '@/core/physics/moistAir'
import { oneNode, twoNodes, type OneNode, type TwoNodes } from '@/core/space/linear'
import { leakPressurePa } from '@/core/space/leak'
import { DRIVE, FLOW, READ, type RunningSpace, type SpaceContext } from '@/core/space/model'
import type { AirSpace } from '@/core/space/schema'

const AIR_KG_M3 = 1.2
const AIR_J_KGK = 1006
/** Heat that a gram of water takes when it evaporates into warm air, J. Source: reference-values `psy.state`, 2501 kJ/kg at 0 °C less what it warms. */
const LATENT_J_G = 2450
/** Carbon dioxide outside, ppm; common practice, no source. */
const OUTSIDE_PPM = 420
/** A person at light work: heat (W), water (g/h), carbon dioxide (L/h). From memory, ISO 7730 and EN 16798. */
const PERSON = { heatW: 75, waterGH: 50, co2Lh: 18 }
/** Part of the sun that the air takes at once; the fabric takes the rest. Common practice, no source. */
const SUN_TO_AIR = 0.4
/** Part of all surfaces that is the coldest. Common practice, no source. */
const COLDEST_SHARE = 0.15
/** Pressure that a kelvin and the wind put on the leaks of a room one storey high, Pa. Source: ρ g h ΔT/T over half the height, and a mean
 *  pressure coefficient of 0.1; common practice. */
const STACK_PA_K = 0.025
const WIND_PA = 0.06
/** Discharge of a doorway by buoyancy. Source: Brown and Solvason 1962, from memory: q = C/3 · A · √(g H ΔT/T). */
const DOORWAY = 0.61 / 3
const DOOR_HEIGHT_M = 2
const ICE = { growsS: 7200, meltsS: 3600, most: 0.8 }

/** Places in the state. */
const AT = {
  airC: 0,
  fabricC: 1,
  ratio: 2,
  bufferRatio: 3,
  co2Ppm: 4,
  ice: 5,
  surfaceG: 6,
  heatIn: 7,
  heatAll: 8,
  waterIn: 9,
  waterAll: 10,
  /** A model built on this one keeps what it must from here on. */
  more: 11,
} as const

/** What a model built on the air of a room adds to a step: heat, water, carbon dioxide; how much of an open doorway exchanges. */
type Sources = { heatW: number; waterGH: number; co2Lh: number; doorShare: number }

export type Air = {
  readonly sources: Sources
  readonly airC: (state: Float64Array) => number
  readonly own: number
} & RunningSpace

const ratioAtSaturation = (tempC: number): number => quickRatio(tempC, 100)

/** What of a room does not change, and what its two stores see in the step at hand. */
type Rig = {
  readonly serves: AirSpace
  readonly doorHeightM: number
  readonly airJK: number
  readonly fabricJK: number
  readonly airKg: number
  readonly bufferKgS: number
  readonly surfaceKgS: number
  readonly leakC: number
  readonly bypassAt: number
  readonly sources: Sources
  readonly heat: TwoNodes
  readonly water: TwoNodes
  readonly gas: OneNode
  readonly now: {
    inC: number
    inRatio: number
    totalLs: number
    mechanicalLs: number
    pressurePa: number
    ratio: number
  }
}

function makeRig(serves: AirSpace, { outputIds }: SpaceContext, doorHeightM: number): Rig {
  const { recovery } = serves
  const airKg = serves.volumeM3 * AIR_KG_M3
  return {
    serves,
    doorHeightM,
    airJK: airKg * AIR_J_KGK * serves.airFactor,
    fabricJK: serves.fabricKjK * 1000,
    airKg,
    bufferKgS: serves.bufferKg / serves.bufferS,
    surfaceKgS: (serves.fabricWK / AIR_J_KGK) * COLDEST_SHARE,
    leakC: serves.leakLsAt50 / 50 ** serves.leakExponent,
    bypassAt: recovery?.bypass ? outputIds.indexOf(recovery.bypass) : -1,
    sources: { heatW: 0, waterGH: 0, co2Lh: 0, doorShare: 1 },
    heat: { end1: 0, end2: 0, mean1: 0, mean2: 0 },
    water: { end1: 0, end2: 0, mean1: 0, mean2: 0 },
    gas: { end: 0, mean: 0 },
    now: { inC: 0, inRatio: 0, totalLs: 0, mechanicalLs: 0, pressurePa: 0, ratio: 0 },
  }
}

/** Where the air of the step comes from, how much, and at what pressure. */
function breathe(
  rig: Rig,
  state: Float64Array,
  drives: Float64Array,
  flows: Float64Array,
  outputsOn: Uint8Array,
): void {
  const { serves, sources, now, leakC, bypassAt, doorHeightM } = rig
  const { intake, recovery } = serves
  const outdoorC = drives[DRIVE.outdoorC]!
  const outdoorRhPct = drives[DRIVE.outdoorRhPct]!
  if (intake.from === 'outside') {
    now.inC = outdoorC
    now.inRatio = quickRatio(outdoorC, outdoorRhPct)
  } else {
    now.inC = intake.tempC + intake.follows * (outdoorC - intake.tempC)
    now.inRatio = quickRatio(now.inC, intake.rhPct)
  }
  const [airC, ice] = [state[AT.airC]!, state[AT.ice]!]
  const outLs = flows[FLOW.outLs]! * (1 - ice / 2)
  const inLs = flows[FLOW.inLs]!
  const unequal = Math.abs(outLs - inLs)
  const naturalPa = STACK_PA_K * Math.abs(airC - outdoorC) + WIND_PA * drives[DRIVE.windMs]! ** 2
  const natural = (leakC / 2) * naturalPa ** serves.leakExponent
  const balanced = Math.min(outLs, inLs)
  const open = drives[DRIVE.doorOpen]!
  const doorLs =
    open > 0
      ? open *
        sources.doorShare *
        DOORWAY *
        serves.doorM2 *
        Math.sqrt((9.81 * doorHeightM * Math.abs(airC - now.inC)) / (273.15 + now.inC)) *
        1000
      : 0
  now.totalLs = balanced + Math.sqrt(unequal ** 2 + natural ** 2) + doorLs
  now.mechanicalLs = balanced
  const leakPa = leakPressurePa(unequal, {
    leakC,
    exponent: serves.leakExponent,
    openM2: serves.inletM2 + open * serves.doorM2,
  })
  now.pressurePa = outLs > inLs ? -leakPa : leakPa
  const isBypassed = bypassAt >= 0 && outputsOn[bypassAt] === 1
  now.ratio = recovery && !isBypassed ? recovery.ratio * (1 - ice) : 0
}

function warm(rig: Rig, state: Float64Array, drives: Float64Array, dtS: number, reads: Float64Array): void {
  const { serves, sources, now, heat, airJK, fabricJK } = rig
  const { heating, cooling } = serves
  const [airC, fabricC] = [state[AT.airC]!, state[AT.fabricC]!]
  const outdoorC = drives[DRIVE.outdoorC]!
  const isFed = drives[DRIVE.supplyPct]! > 0
  const sunW = drives[DRIVE.sunWM2]! * serves.sunM2
  // What is recovered stays in the room: less air has to be warmed.
  const airWK = HEAT_OF_AIR_J_PER_LK * (now.totalLs - now.ratio * now.mechanicalLs)
  let [k, b] = [airWK + serves.lossWK, airWK * now.inC + serves.lossWK * outdoorC]
  const ownW =
    sources.heatW +
    drives[DRIVE.load]! * serves.heatW +
    (isFed ? drives[DRIVE.light]! * serves.lampW : 0) +
    drives[DRIVE.people]! * PERSON.heatW +
    SUN_TO_AIR * sunW
  b += ownW
  const isHeating = heating !== null && isFed && airC < heating.toC
  const isFull = heating !== null && isFed && airC <= heating.toC - 1
  if (isFull) b += heating.mostW
  else if (isHeating) {
    k += heating.mostW
    b += heating.mostW * heating.toC
  }
  const isCooling = cooling !== null && isFed && airC > cooling.toC
  const isCoolest = cooling !== null && isFed && airC >= cooling.toC + 1
  if (isCoolest) b -= cooling.mostW
  else if (isCooling) {
    k += cooling.mostW
    b += cooling.mostW * cooling.toC
  }
  const fabricW = (1 - SUN_TO_AIR) * sunW
  const { fabricWK: h, outerWK } = serves
  twoNodes(
    (k + h) / airJK,
    h / airJK,
    h / fabricJK,
    (h + outerWK) / fabricJK,
    b / airJK,
    (fabricW + outerWK * outdoorC) / fabricJK,
    airC,
    fabricC,
    dtS,
    heat,
  )
  state[AT.airC] = heat.end1
  state[AT.fabricC] = heat.end2
  const heatingW = isFull ? heating.mostW : isHeating ? heating.mostW * (heating.toC - heat.mean1) : 0
  const coolingW = isCoolest ? cooling.mostW : isCooling ? cooling.mostW * (heat.mean1 - cooling.toC) : 0
  const byAirW = airWK * (heat.mean1 - now.inC)
  const byFabricW = outerWK * (heat.mean2 - outdoorC) + serves.lossWK * (heat.mean1 - outdoorC)
  state[AT.heatIn]! += dtS * (ownW + fabricW + heatingW - coolingW - byAirW - byFabricW)
  state[AT.heatAll]! += dtS * (Math.abs(ownW + fabricW) + heatingW + coolingW + Math.abs(byAirW) + Math.abs(byFabricW))
  reads[READ.heatingW] = heatingW
  reads[READ.airHeatW] = byAirW
}

function wet(rig: Rig, state: Float64Array, drives: Float64Array, dtS: number, mistGH: number): void {
  const { serves, sources, now, heat, water, airKg, bufferKgS, surfaceKgS } = rig
  const ratio = state[AT.ratio]!
  const kgS = (AIR_KG_M3 * now.totalLs) / 1000
  const sourceKgS =
    (sources.waterGH +
      mistGH +
      drives[DRIVE.waterGH]! +
      drives[DRIVE.load]! * serves.waterGH +
      drives[DRIVE.people]! * PERSON.waterGH) /
    3.6e6
  const surfaceC = surfaceOf(serves, heat.mean1, drives)
  const surfaceRatio = ratioAtSaturation(surfaceC)
  const onSurface = state[AT.surfaceG]! / 1000
  const condenses = ratio > surfaceRatio
  const dries = condenses ? 0 : Math.min(surfaceKgS * (surfaceRatio - ratio), onSurface / dtS)
  const k = (kgS + bufferKgS + (condenses ? surfaceKgS : 0)) / airKg
  const b = (sourceKgS + kgS * now.inRatio + dries + (condenses ? surfaceKgS * surfaceRatio : 0)) / airKg
  const back = serves.bufferKg > 0 ? bufferKgS / serves.bufferKg : 0
  twoNodes(k, bufferKgS / airKg, back, back, b, 0, ratio, state[AT.bufferRatio]!, dtS, water)
  const settled = condenses ? surfaceKgS * (water.mean1 - surfaceRatio) * dtS : -dries * dtS
  // More cannot dry than lies there: what the straight step took too much comes back out of the air.
  const taken = Math.max(-onSurface, settled)
  let end = water.end1 - (taken - settled) / airKg
  const fog = Math.max(0, end - ratioAtSaturation(state[AT.airC]!))
  end -= fog
  state[AT.ratio] = end
  state[AT.bufferRatio] = water.end2
  state[AT.surfaceG] = (onSurface + taken + fog * airKg) * 1000
  const net = sourceKgS + kgS * (now.inRatio - water.mean1)
  state[AT.waterIn]! += dtS * net
  state[AT.waterAll]! += dtS * (sourceKgS + kgS * (now.inRatio + water.mean1))
}

function surfaceOf(serves: AirSpace, airC: number, drives: Float64Array): number {
  const outdoorC = drives[DRIVE.outdoorC]!
  return outdoorC + serves.surfaceShare * (airC - outdoorC)
}

function freeze(rig: Rig, state: Float64Array, dtS: number): void {
  const { serves, now } = rig
  if (!serves.recovery) return
  const leavesC = state[AT.airC]! - now.ratio * (state[AT.airC]! - now.inC)
  const ice =
    state[AT.ice]! + (leavesC < 0 && now.mechanicalLs > 0 ? dtS / ICE.growsS : leavesC > 1 ? -dtS / ICE.meltsS : 0)
  state[AT.ice] = clamp(ice, 0, ICE.most)
}

/** Carbon dioxide of the step. */
function breatheOut({ serves, sources, now, gas }: Rig, state: Float64Array, drives: Float64Array, dtS: number): void {
  const perS = now.totalLs / 1000 / serves.volumeM3
  const givenPpmS = ((sources.co2Lh + drives[DRIVE.people]! * PERSON.co2Lh) / 3600 / 1000 / serves.volumeM3) * 1e6
  oneNode(perS, perS * OUTSIDE_PPM + givenPpmS, state[AT.co2Ppm]!, dtS, gas)
  state[AT.co2Ppm] = gas.end
}

function readOut({ serves, now }: Rig, state: Float64Array, drives: Float64Array, reads: Float64Array): void {
  const airC = state[AT.airC]!
  const supplyC = now.inC + now.ratio * (airC - now.inC)
  reads[READ.airC] = airC
  reads[READ.rhPct] = Math.min(100, quickHumidityPct(airC, state[AT.ratio]!))
  reads[READ.surfaceC] = surfaceOf(serves, airC, drives)
  reads[READ.supplyC] = supplyC
  reads[READ.supplyRhPct] = Math.min(100, quickHumidityPct(supplyC, now.inRatio))
  reads[READ.co2Ppm] = state[AT.co2Ppm]!
  reads[READ.pressurePa] = now.pressurePa
  reads[READ.surfaceWaterG] = state[AT.surfaceG]!
}

/** What is given off to hold the humidity, g/h. */
function mistOf({ misting }: AirSpace, state: Float64Array, drives: Float64Array): number {
  if (!misting || drives[DRIVE.supplyPct]! <= 0) return 0
  const rhPct = quickHumidityPct(state[AT.airC]!, state[AT.ratio]!)
  return misting.mostGH * clamp((misting.toRhPct - rhPct) / 2, 0, 1)
}

/** Air, fabric and water of a room: two stores of heat and two of water, each pair stepped exactly; leaks by what the fans leave over, the wind
 *  and the stack; condensation on the coldest surface. One shape for rooms, houses and halls.
 *  Leaks add to unequal fans by √(unequal² + natural²). Source: ASHRAE Fundamentals, ventilation and infiltration, from memory. */
export function makeAir(serves: AirSpace, context: SpaceContext, doorHeightM = DOOR_HEIGHT_M): Air {
  const rig = makeRig(serves, context, doorHeightM)
  const { sources } = rig
  const { heating, cooling, misting } = serves
  return {
    own: AT.more,
    sources,
    airC: (state) => state[AT.airC]!,
    reads: ['airC', 'rhPct', 'surfaceC', 'supplyC', 'co2Ppm', 'pressurePa', 'surfaceWaterG', 'heatingW', 'airHeatW'],
    start(drives) {
      const state = new Float64Array(AT.more + 1)
      const outdoorC = drives[DRIVE.outdoorC]!
      const airC = heating ? Math.max(outdoorC, heating.toC) : outdoorC + 2
      state[AT.airC] = state[AT.fabricC] = cooling ? Math.min(airC, cooling.toC) : airC
      state[AT.ratio] = state[AT.bufferRatio] = quickRatio(state[AT.airC]!, misting?.toRhPct ?? 55)
      state[AT.co2Ppm] = OUTSIDE_PPM
      return state
    },
    begin(state, readC, behindC, rhPct) {
      state[AT.airC] = readC
      state[AT.fabricC] = behindC
      if (rhPct !== undefined) state[AT.ratio] = state[AT.bufferRatio] = quickRatio(readC, rhPct)
    },
    step(state, drives, flows, outputsOn, dtS, reads) {
      breathe(rig, state, drives, flows, outputsOn)
      const mistGH = mistOf(serves, state, drives)
      sources.heatW -= (mistGH / 3600) * LATENT_J_G
      warm(rig, state, drives, dtS, reads)
      wet(rig, state, drives, dtS, mistGH)
      freeze(rig, state, dtS)
      breatheOut(rig, state, drives, dtS)
      readOut(rig, state, drives, reads)
      sources.heatW = sources.waterGH = sources.co2Lh = 0
      sources.doorShare = 1
    },
    stored: (state) => ({
      heatJ: rig.airJK * state[AT.airC]! + rig.fabricJK * state[AT.fabricC]!,
      waterKg: rig.airKg * state[AT.ratio]! + serves.bufferKg * state[AT.bufferRatio]! + state[AT.surfaceG]! / 1000,
    }),
    passed: (state) => ({
      heatJ: state[AT.heatIn]!,
      waterKg: state[AT.waterIn]!,
      allHeatJ: state[AT.heatAll]!,
      allWaterKg: state[AT.waterAll]!,
    }),
  }
}
