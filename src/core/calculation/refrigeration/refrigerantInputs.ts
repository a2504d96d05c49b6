import { choice, number } from '@/core/calculation/calculation'
import { pressureAt } from '@/core/physics/moistAir'
import { criticalC, REFRIGERANTS, type Refrigerant, type Side } from '@/core/physics/saturation'

export const fluid = choice(
  'refrigerant',
  'R-134a',
  REFRIGERANTS.map((id) => [id, id] as const),
)
export const side = choice<Side>('curve', 'bubble', [
  ['bubble', 'bubble (condensing, liquid)'],
  ['dew', 'dew (superheat)'],
])
export const altitude = number('altitude', 'altitude', 0, [-400, 5000])

/** Pressure of the air outside (kPa): what a gauge leaves out. */
export const outsideKpa = (altitudeM: number): number => pressureAt(altitudeM) / 1000

/** Said where there is no saturation at all. */
export const noSaturation = (refrigerant: Refrigerant): string =>
  `${refrigerant} has no saturation above ${criticalC(refrigerant).toFixed(1)} °C, nor is it known here below −60 °C.`
