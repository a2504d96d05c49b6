import type { FanCalibration, Try } from '@/core/calibration/schema'

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

const NOTHING: Bracket = { standsPct: null, turnsPct: null }
/** What the trials of a kind have found. */
export const trialsOf = (calibration: FanCalibration, of: Try['of']): number[] =>
  of === 'start' ? calibration.startsPct : calibration.stallsPct

/** What the tries of the trial under way have shown. */
export const bracketOf = (calibration: FanCalibration, of: Try['of']): Bracket =>
  (calibration.tries ?? [])
    .filter((made) => made.of === of && made.trial === trialsOf(calibration, of).length)
    .reduce((bracket, { settingPct, turned }) => afterTry(bracket, settingPct, turned), NOTHING)

/** What a trial has found: the lowest seen to turn from rest, the highest at which it was seen to stop; null while nothing of the kind was seen. */
export const foundPct = ({ standsPct, turnsPct }: Bracket, of: Try['of']): number | null =>
  of === 'start' ? turnsPct : standsPct

/** Keeps a try; once the threshold is known to a step the trial is closed with what it found. Changes `calibration`. */
export function keepTry(
  calibration: FanCalibration,
  of: Try['of'],
  settingPct: number,
  turned: boolean,
  stepPct: number,
): void {
  const list = trialsOf(calibration, of)
  calibration.tries = [...(calibration.tries ?? []), { of, trial: list.length, settingPct, turned }]
  const bracket = bracketOf(calibration, of)
  const found = foundPct(bracket, of)
  if (found !== null && nextTry(bracket, stepPct) === null) list.push(found)
}

/** Takes a trial away with its tries; the later ones move up. Changes `calibration`. */
export function dropTrial(calibration: FanCalibration, of: Try['of'], trial: number): void {
  trialsOf(calibration, of).splice(trial, 1)
  calibration.tries = (calibration.tries ?? []).flatMap((made) => {
    if (made.of !== of || made.trial < trial) return [made]
    return made.trial === trial ? [] : [{ ...made, trial: made.trial - 1 }]
  })
}
