import { saturationKpa, type Refrigerant } from '@/core/physics/saturation'

/** Standard atmosphere (kPa): gauges read above it. */
const ATMOSPHERE_KPA = 101.325

export type ScaleMark = {
  /** What the probe reads. */
  readonly probeC: number
  /** Condensing (bubble) temperature: the probe's reading and how far the coil there lies below it. */
  readonly saturationC: number
  /** On the gauge; null past the critical point. */
  readonly gaugeKpa: number | null
}

/** One point of the scale that puts probe, saturation and pressure beside each other.
 *  @param probeBelowK how much colder the probe reads than the refrigerant condenses; found with gauges on, 0 until then.
 *  Source: saturation equations as in saturation.ts; the place of the probe is common practice, no source. */
export function scaleMark(fluid: Refrigerant, probeC: number, probeBelowK: number): ScaleMark {
  const saturationC = probeC + probeBelowK
  const kpa = saturationKpa(fluid, 'bubble', saturationC) - ATMOSPHERE_KPA
  return { probeC, saturationC, gaugeKpa: Number.isNaN(kpa) ? null : kpa }
}
