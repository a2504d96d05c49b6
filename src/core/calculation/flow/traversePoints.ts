// Fractions of the diameter or side from one wall. ISO 3966 and ASHRAE 111, from memory; reference-values `air.traverseCircular`,
// `air.traverseRect` say how far each row is to be trusted.
export const CIRCULAR_LOG_TCHEBYCHEFF = {
  6: [0.032, 0.137, 0.312, 0.688, 0.863, 0.968],
  8: [0.024, 0.1, 0.194, 0.334, 0.666, 0.806, 0.9, 0.976],
  10: [0.019, 0.076, 0.155, 0.215, 0.357, 0.643, 0.785, 0.845, 0.924, 0.981],
} as const
export const RECTANGULAR_LOG_TCHEBYCHEFF = {
  5: [0.074, 0.288, 0.5, 0.712, 0.926],
  6: [0.061, 0.235, 0.437, 0.563, 0.765, 0.939],
  7: [0.053, 0.203, 0.366, 0.5, 0.634, 0.797, 0.947],
} as const

export type SidePoints = keyof typeof RECTANGULAR_LOG_TCHEBYCHEFF

/** Points along a side (m): 5 below 760 mm, 6 to 910 mm, 7 above. Source: ASHRAE 111, from memory. */
export const sidePoints = (sideM: number): SidePoints => (sideM < 0.76 ? 5 : sideM <= 0.91 ? 6 : 7)
