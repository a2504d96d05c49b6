import type { MapReading } from '@/core/calibration/schema'

export type NoiseVerdict =
  | { readonly kind: 'too-few'; readonly got: number; readonly needed: number }
  /** It follows the fan law: 50 · log₁₀ of the speed. */
  | { readonly kind: 'as-law' }
  /** Louder in a band and quiet again above it. */
  | { readonly kind: 'resonance'; readonly fromPct: number; readonly toPct: number; readonly overDb: number }
  /** Louder in a band by what scatter alone may also do: a second sweep over these settings tells. */
  | { readonly kind: 'again'; readonly settingsPct: readonly number[]; readonly overDb: number }
  /** Grows faster than the law, up to full: bearing, blade or air. */
  | { readonly kind: 'steep'; readonly dbPerDecade: number }

const NEEDED = 5
/** What has to stand out after one sweep, and in the mean of two. A sound-level meter in a plant room repeats to 1 or 1.5 dB (common practice,
 *  no source). Found by simulation (`noise.test.ts`): with 1.5 dB of scatter at most one fan in twenty is said to ring that does not, and of
 *  humps of 6 dB 95 % are found, within two sweeps. */
const STANDS_OUT_DB = [5.9, 3.4] as const
/** From here on one sweep asks for the other. */
const ASKS_AGAIN_DB = 2.2
/** The fan law has 50 dB in a decade of speed (AMCA 301, from memory). */
const STEEP = 75
/** A band that rings is at most so many readings wide; a wider hump is the fan's own. */
const WIDEST = 4

type Heard = {
  readonly settingPct: number
  readonly soundDb: number
  readonly decade: number
  /** How many readings this is the mean of. */
  readonly times: number
}

const mean = (list: readonly number[]): number => list.reduce((total, x) => total + x, 0) / list.length

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

/** What the sound readings say; several at one setting count as their mean. A peak in a band that is gone above it is resonance; a rise to full steeper than the fan law is bearing or air.
 *  Rotation is used where every reading has it, otherwise the setting. */
export function noiseVerdict(map: readonly MapReading[]): NoiseVerdict {
  const heard = map.filter(({ settingPct, soundDb, setAside }) => !setAside && soundDb !== null && settingPct > 0)
  const byRpm = heard.every(({ rpm }) => rpm !== null && rpm > 0)
  const settings = [...new Set(heard.map(({ settingPct }) => settingPct))].sort((a, b) => a - b)
  const read = settings
    .map((settingPct): Heard => {
      const same = heard.filter((reading) => reading.settingPct === settingPct)
      return {
        settingPct,
        times: same.length,
        soundDb: mean(same.map(({ soundDb }) => soundDb!)),
        decade: Math.log10(byRpm ? mean(same.map(({ rpm }) => rpm!)) : settingPct),
      }
    })
    .filter(({ decade }, index, all) => index === 0 || decade > all[index - 1]!.decade)
  if (read.length < NEEDED) return { kind: 'too-few', got: read.length, needed: NEEDED }
  let loudest = { first: 0, last: 0, overDb: 0 }
  for (let first = 1; first < read.length - 1; first++)
    for (let last = first; last < Math.min(read.length - 1, first + WIDEST); last++) {
      const overDb = standsOut(read, first, last)
      if (overDb > loudest.overDb) loudest = { first, last, overDb }
    }
  const { first, last, overDb } = loudest
  const asked = read.slice(Math.max(0, first - 1), last + 2)
  const isTwice = asked.every(({ times }) => times >= 2)
  if (overDb >= STANDS_OUT_DB[isTwice ? 1 : 0]) {
    const between = (a: number, b: number) => Math.round((read[a]!.settingPct + read[b]!.settingPct) / 2)
    return { kind: 'resonance', fromPct: between(first - 1, first), toPct: between(last, last + 1), overDb }
  }
  if (overDb >= ASKS_AGAIN_DB && !isTwice)
    return {
      kind: 'again',
      settingsPct: read.filter(({ times }) => times < 2).map(({ settingPct }) => settingPct),
      overDb,
    }
  // At low speed the room is heard, not the fan: the slope is that of the upper readings.
  const upper = read.slice(Math.floor(read.length / 3))
  const [x, y] = [mean(upper.map(({ decade }) => decade)), mean(upper.map(({ soundDb }) => soundDb))]
  const slope =
    upper.reduce((total, { soundDb, decade }) => total + (decade - x) * (soundDb - y), 0) /
    upper.reduce((total, { decade }) => total + (decade - x) ** 2, 0)
  return slope > STEEP ? { kind: 'steep', dbPerDecade: slope } : { kind: 'as-law' }
}
