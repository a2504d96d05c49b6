// Exact steps of linear nodes with everything else constant over the step: stable at any length of it.

/** (eᶻ − 1)/z, 1 at 0. */
export const phi1 = (z: number): number => (Math.abs(z) < 1e-8 ? 1 + z / 2 : Math.expm1(z) / z)

/** (eᶻ − 1 − z)/z², ½ at 0. Below a hundredth by its series, where the difference would lose its digits. */
export const phi2 = (z: number): number =>
  Math.abs(z) < 0.01 ? 0.5 + z * (1 / 6 + z * (1 / 24 + z * (1 / 120 + z / 720))) : (phi1(z) - 1) / z

/** Where one node ends, and what it was on the mean of the step. */
export type OneNode = { end: number; mean: number }

/** dx/dt = b − k·x over `dtS` seconds, k ≥ 0. Writes into `out`. */
export function oneNode(k: number, b: number, x: number, dtS: number, out: OneNode): void {
  const [z, slope] = [-k * dtS, b - k * x]
  out.end = x + dtS * phi1(z) * slope
  out.mean = x + dtS * phi2(z) * slope
}

/** Where two nodes end, and what they were on the mean of the step. */
export type TwoNodes = { end1: number; end2: number; mean1: number; mean2: number }

/** dx/dt = b − A·x with A = [[k1, −c12], [−c21, k2]], all four ≥ 0 and k1·k2 ≥ c12·c21: two stores that exchange with each other and with
 *  what stands still. By the two eigenvalues, which are real. Writes into `out`. Checked against reference-values `sim.twoNode`. */
export function twoNodes(
  k1: number,
  c12: number,
  c21: number,
  k2: number,
  b1: number,
  b2: number,
  x1: number,
  x2: number,
  dtS: number,
  out: TwoNodes,
): void {
  const middle = -(k1 + k2) / 2
  const half = Math.sqrt(((k1 - k2) / 2) ** 2 + c12 * c21)
  const [fast, slow] = [(middle - half) * dtS, Math.min(0, middle + half) * dtS]
  const slope1 = b1 - k1 * x1 + c12 * x2
  const slope2 = b2 + c21 * x1 - k2 * x2
  // f(A) = α + β·A on the slope, by Newton's interpolation through both eigenvalues.
  const apart = fast - slow
  const [p1, p2] = [phi1(slow), phi2(slow)]
  const beta1 = apart === 0 ? 0 : ((phi1(fast) - p1) / apart) * dtS
  const beta2 = apart === 0 ? 0 : ((phi2(fast) - p2) / apart) * dtS
  const along1 = -k1 * slope1 + c12 * slope2
  const along2 = c21 * slope1 - k2 * slope2
  const shift = slow / dtS
  out.end1 = x1 + dtS * (p1 * slope1 + beta1 * (along1 - shift * slope1))
  out.end2 = x2 + dtS * (p1 * slope2 + beta1 * (along2 - shift * slope2))
  out.mean1 = x1 + dtS * (p2 * slope1 + beta2 * (along1 - shift * slope1))
  out.mean2 = x2 + dtS * (p2 * slope2 + beta2 * (along2 - shift * slope2))
}
