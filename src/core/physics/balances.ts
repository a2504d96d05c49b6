import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'
import { humidityRatio } from '@/core/physics/moistAir'

const RHO_C = HEAT_OF_AIR_J_PER_LK * 1000
const AIR_KG_M3 = 1.2

/** Carbon dioxide given off by a heat-producing unit, m³/h. CIGR 2002, from memory; 0.163 in 1984, about 0.2 over deep litter. */
export const CO2_M3H_PER_UNIT = 0.185

/** Flow (L/s) that keeps carbon dioxide at `insidePpm`. Source: mass balance; `live.co2Balance`. */
export const co2FlowLs = (units: number, insidePpm: number, outsidePpm: number, perUnit = CO2_M3H_PER_UNIT): number =>
  (units * perUnit) / ((insidePpm - outsidePpm) * 1e-6) / 3.6

export type AirPoint = { readonly tempC: number; readonly rhPct: number }

/** Flow (L/s) that carries the water out; NaN where outside holds as much. Source: `live.moistureBalance`. */
export function moistureFlowLs(waterGH: number, inside: AirPoint, outside: AirPoint): number {
  const dry = humidityRatio(inside.tempC, inside.rhPct) - humidityRatio(outside.tempC, outside.rhPct)
  return dry > 0 ? (waterGH / 1000 / 3600 / (AIR_KG_M3 * dry)) * 1000 : NaN
}

/** Flow (L/s) at which heat given off and heat lost are in balance; negative where the house cannot hold its temperature without heating.
 *  Source: `live.heatBalance`. */
export const heatFlowLs = (sensibleW: number, lossWK: number, insideC: number, outsideC: number): number =>
  ((sensibleW - lossWK * (insideC - outsideC)) / (RHO_C * (insideC - outsideC))) * 1000
