/** What is known of a threshold so far: the highest setting at which nothing turned, the lowest at which it did. */
export type Bracket = { readonly standsPct: number | null; readonly turnsPct: number | null }

const FIRST_PCT = 10
const STRIDE_PCT = 5

/** The setting to try next, or null once the threshold is known to `stepPct`. Strides until it is bracketed, then halves.
 *  @param lastPct where an earlier trial ended: the next one begins just short of it */
export function nextTry({ standsPct, turnsPct }: Bracket, stepPct = 1, lastPct: number | null = null): number | null {
  const onStep = (pct: number) => Math.min(100, Math.max(0, Math.round(pct / stepPct) * stepPct))
  if (standsPct === null && turnsPct === null) return onStep(lastPct === null ? FIRST_PCT : lastPct - 2 * stepPct)
  if (turnsPct === null) return standsPct! >= 100 ? null : onStep(standsPct! + Math.max(STRIDE_PCT, stepPct))
  if (standsPct === null) return turnsPct <= 0 ? null : onStep(turnsPct - Math.max(STRIDE_PCT, stepPct))
  if (turnsPct - standsPct <= stepPct + 1e-9) return null
  const middle = onStep((standsPct + turnsPct) / 2)
  return middle <= standsPct || middle >= turnsPct ? onStep(standsPct + stepPct) : middle
}

/** The bracket after one more try. One that contradicts what was seen before takes the newer word: bearings warm up, dust falls off. */
export const afterTry = ({ standsPct, turnsPct }: Bracket, triedPct: number, turned: boolean): Bracket =>
  turned
    ? { turnsPct: triedPct, standsPct: standsPct !== null && standsPct >= triedPct ? null : standsPct }
    : { standsPct: triedPct, turnsPct: turnsPct !== null && turnsPct <= triedPct ? null : turnsPct }
