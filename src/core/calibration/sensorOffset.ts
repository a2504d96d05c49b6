import type { SensorReading } from '@/core/calibration/schema'

export type SensorVerdict = {
  /** What is to be added to what the probe says. */
  readonly offset: number
  /** How far the single readings lie apart: an offset mends the mean, never this. */
  readonly spread: number
  /** `one-point`: only one place on the scale was tried. `bent`: the error grows along the scale, so that no offset mends it. */
  readonly verdict: 'good' | 'one-point' | 'bent'
}

/** The offset of a probe against a reference, from readings of both at the same moment; null without any.
 *  Common practice, no source: two points, and an error that changes by more than two of the probe’s own steps between them is no offset.
 *  @param resolution smallest change the probe shows, in the unit of the readings */
export function sensorOffset(readings: readonly SensorReading[], resolution: number): SensorVerdict | null {
  if (readings.length === 0) return null
  const errors = readings.map(({ reference, read }) => reference - read)
  const offset = errors.reduce((total, error) => total + error, 0) / errors.length
  const spread = Math.max(...errors) - Math.min(...errors)
  const references = readings.map(({ reference }) => reference)
  const isOnePoint = Math.max(...references) - Math.min(...references) < 4 * resolution
  return {
    offset: Number(offset.toFixed(3)),
    spread: Number(spread.toFixed(3)),
    verdict: isOnePoint ? 'one-point' : spread > 2 * resolution + 1e-9 ? 'bent' : 'good',
  }
}
