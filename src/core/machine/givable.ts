import { inOneShape, stepAbove, stepBelow, toStep } from '@/core/machine/steps'
import type { Response, SkipBand, Steps } from '@/core/response/schema'

// The edges are allowed, and so is a step that meets one but for its last binary digits.
const ON_EDGE = 1e-9

export const isInSkipBand = ({ fromPct, toPct }: SkipBand, pct: number): boolean =>
  pct > fromPct + ON_EDGE && pct < toPct - ON_EDGE

/** What bounds the speed of a running fan. */
export type Bounds = {
  readonly steps: Steps
  /** Rising and apart from one another. */
  readonly bands: readonly SkipBand[]
  readonly lowPct: number
  readonly highPct: number
}

/** Bands that overlap are one; bands that only touch leave their common edge. */
function merged(bands: readonly SkipBand[]): SkipBand[] {
  const apart: SkipBand[] = []
  for (const band of [...bands].sort((a, b) => a.fromPct - b.fromPct)) {
    const last = apart.at(-1)
    if (last && band.fromPct < last.toPct)
      apart[apart.length - 1] = { fromPct: last.fromPct, toPct: Math.max(last.toPct, band.toPct) }
    else apart.push(band)
  }
  return apart
}

/** The bounds of the lead. On a ladder of fans the ceiling is of all fans together, and the variable one climbs to 100 %. */
export const leadBounds = ({
  steps,
  skipBands = [],
  floor,
  ceiling,
  stages,
}: Pick<Response, 'steps' | 'skipBands' | 'floor' | 'ceiling' | 'stages'>): Bounds => ({
  steps: inOneShape(steps),
  bands: merged(skipBands),
  lowPct: floor.speedPct,
  highPct: stages ? 100 : ceiling.speedPct,
})

const bandAround = (bands: readonly SkipBand[], pct: number): SkipBand | undefined => {
  for (let index = 0; index < bands.length; index++) if (isInSkipBand(bands[index]!, pct)) return bands[index]
  return undefined
}

/** The lowest speed at or above `pct` that the output can stand at, inside the bounds; NaN where there is none. */
export function givableAbove({ steps, bands, lowPct, highPct }: Bounds, pct: number): number {
  let at = stepAbove(steps, Math.max(pct, lowPct))
  for (let index = 0; index < bands.length; index++)
    if (isInSkipBand(bands[index]!, at)) at = stepAbove(steps, bands[index]!.toPct)
  return at <= highPct ? at : NaN
}

/** The highest speed at or below `pct` that the output can stand at, inside the bounds; NaN where there is none. */
export function givableBelow({ steps, bands, lowPct, highPct }: Bounds, pct: number): number {
  let at = stepBelow(steps, Math.min(pct, highPct))
  for (let index = bands.length - 1; index >= 0; index--)
    if (isInSkipBand(bands[index]!, at)) at = stepBelow(steps, bands[index]!.fromPct)
  return at >= lowPct ? at : NaN
}

/** Where the output stands when `pct` is wanted: on a step, in no skip band, not below the floor, not above the ceiling; 0 stays 0.
 *  A band is left on the side ahead: up where it came from below.
 *  @param cameFromPct the last speed wanted that lay in no band */
export function givenFor(bounds: Bounds, pct: number, cameFromPct: number): number {
  if (!(pct > 0)) return 0
  const { steps, bands, lowPct, highPct } = bounds
  const stepped = toStep(steps, pct)
  const band = bandAround(bands, stepped)
  if (!band && stepped >= lowPct && stepped <= highPct) return stepped
  const up = band ? cameFromPct <= band.fromPct : stepped < lowPct
  const ahead = up ? givableAbove(bounds, stepped) : givableBelow(bounds, stepped)
  if (!Number.isNaN(ahead)) return ahead
  return up ? givableBelow(bounds, stepped) : givableAbove(bounds, stepped)
}
