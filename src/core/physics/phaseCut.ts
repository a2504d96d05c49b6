const DEGREES = Math.PI / 180

/** RMS volts as a share of the supply's, for a leading edge cut `angleDeg` (0–180) after the zero crossing, into a resistive load.
 *  A motor is inductive and conducts past the crossing: its real RMS is higher. Source: textbook AC voltage controller;
 *  reference-values `sig.phaseCut`. */
export function phaseCutShare(angleDeg: number): number {
  const a = Math.min(180, Math.max(0, angleDeg)) * DEGREES
  return Math.sqrt(Math.max(0, 1 - a / Math.PI + Math.sin(2 * a) / (2 * Math.PI)))
}

/** The angle (degrees after the crossing) that gives this share of RMS volts (0–1); the way back, by halving. */
export function phaseCutAngleDeg(share: number): number {
  let [low, high] = [0, 180]
  while (high - low > 1e-9) {
    const middle = (low + high) / 2
    // More angle is less voltage.
    if (phaseCutShare(middle) > share) low = middle
    else high = middle
  }
  return (low + high) / 2
}
