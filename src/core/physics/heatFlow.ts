/** Heat taken by air: 1.2 kg/m³ × 1.006 kJ/(kg K), in J/(L K). Source: reference-values `air.sensible`. */
export const HEAT_OF_AIR_J_PER_LK = 1.2072

/** Flow (L/s) that carries `heatW` away at `riseK` warmer than it came. Source: `air.heatRemovalSteady` with the constant above.
 *  @throws {RangeError} unless the rise is positive */
export function flowForHeatLs(heatW: number, riseK: number): number {
  if (!(riseK > 0)) throw new RangeError(`riseK must be positive, got ${riseK}`)
  return heatW / (HEAT_OF_AIR_J_PER_LK * riseK)
}
