import type { MapReading } from '@/core/calibration/schema'

export type NoiseVerdict =
  | { readonly kind: 'too-few'; readonly got: number; readonly needed: number }
  /** It follows the fan law: 50 · log₁₀ of the speed. */
  | { readonly kind: 'as-law' }
  /** Louder in a band and quiet again above it. */
  | { readonly kind: 'resonance'; readonly fromPct: number; readonly toPct: number; readonly overDb: number }
  /** Grows faster than the law, up to full: bearing, blade or air. */
  | { readonly kind: 'steep'; readonly dbPerDecade: number }

const NEEDED = 5
/** A sound-level meter in a plant room repeats to about 1 dB; common practice, no source. */
const STANDS_OUT_DB = 3
/** The fan law has 50 dB in a decade of speed (AMCA 301, from memory). */
const STEEP = 75
/** A band that rings is at most so many readings wide; a wider hump is the fan's own. */
const WIDEST = 4

type Heard = { readonly settingPct: number; readonly soundDb: number; readonly decade: number }

/** How far every reading of a stretch stands out over the line from the reading before it to the one after it, over the logarithm of speed.
 *  The fan law is straight there, and a room's own noise at low speed bends the other way: neither stands out. */
function standsOut(read: readonly Heard[], first: number, last: number): number {
  const [before, after] = [read[first - 1]!, read[last + 1]!]
  const slope = (after.soundDb - before.soundDb) / (after.decade - before.decade)
  return Math.min(
    ...read
      .slice(first, last + 1)
      .map(({ soundDb, decade }) => soundDb - before.soundDb - slope * (decade - before.decade)),
  )
}

/** What the sound readings say: a peak in a band that is gone above it is resonance; a rise to full steeper than the fan law is bearing or air.
 *  Rotation is used where every reading has it, otherwise the setting. */
export function noiseVerdict(map: readonly MapReading[]): NoiseVerdict {
  const heard = map.filter(({ settingPct, soundDb, setAside }) => !setAside && soundDb !== null && settingPct > 0)
  const byRpm = heard.every(({ rpm }) => rpm !== null && rpm > 0)
  const read = heard
    .map(({ settingPct, soundDb, rpm }): Heard => ({
      settingPct,
      soundDb: soundDb!,
      decade: Math.log10(byRpm ? rpm! : settingPct),
    }))
    .sort((a, b) => a.decade - b.decade)
    .filter(({ decade }, index, all) => index === 0 || decade > all[index - 1]!.decade)
  if (read.length < NEEDED) return { kind: 'too-few', got: read.length, needed: NEEDED }
  let loudest = { first: 0, last: 0, overDb: 0 }
  for (let first = 1; first < read.length - 1; first++)
    for (let last = first; last < Math.min(read.length - 1, first + WIDEST); last++) {
      const overDb = standsOut(read, first, last)
      if (overDb > loudest.overDb) loudest = { first, last, overDb }
    }
  if (loudest.overDb >= STANDS_OUT_DB) {
    const between = (a: number, b: number) => Math.round((read[a]!.settingPct + read[b]!.settingPct) / 2)
    const { first, last, overDb } = loudest
    return { kind: 'resonance', fromPct: between(first - 1, first), toPct: between(last, last + 1), overDb }
  }
  // At low speed the room is heard, not the fan: the slope is that of the upper readings.
  const upper = read.slice(Math.floor(read.length / 3))
  const mean = (list: readonly number[]) => list.reduce((total, x) => total + x, 0) / list.length
  const [x, y] = [mean(upper.map(({ decade }) => decade)), mean(upper.map(({ soundDb }) => soundDb))]
  const slope =
    upper.reduce((total, { soundDb, decade }) => total + (decade - x) * (soundDb - y), 0) /
    upper.reduce((total, { decade }) => total + (decade - x) ** 2, 0)
  return slope > STEEP ? { kind: 'steep', dbPerDecade: slope } : { kind: 'as-law' }
}
