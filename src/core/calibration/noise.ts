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
const GONE_DB = 1.5
const LAW = 50
const STEEP = 75

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/** What the sound readings say: a peak in a band that is gone above it is resonance; a rise to full steeper than the fan law is bearing or air.
 *  Sound over 50 · log₁₀(speed), AMCA 301 (from memory). Rotation is used where every reading has it, otherwise the setting. */
export function noiseVerdict(map: readonly MapReading[]): NoiseVerdict {
  const read = map
    .flatMap(({ settingPct, soundDb, rpm, setAside }) =>
      setAside || soundDb === null || settingPct <= 0 ? [] : [{ settingPct, soundDb, rpm }],
    )
    .sort((a, b) => a.settingPct - b.settingPct)
  if (new Set(read.map(({ settingPct }) => settingPct)).size < NEEDED)
    return { kind: 'too-few', got: read.length, needed: NEEDED }
  const byRpm = read.every(({ rpm }) => rpm !== null && rpm > 0)
  const decades = read.map(({ settingPct, rpm }) => Math.log10(byRpm ? rpm! : settingPct))
  const over = read.map(({ soundDb }, index) => soundDb - LAW * decades[index]!)
  const usual = median(over)
  const peaks = over.map((db) => db - usual)
  const highest = peaks.indexOf(Math.max(...peaks))
  const after = peaks.slice(highest + 1)
  if (
    peaks[highest]! >= STANDS_OUT_DB &&
    highest > 0 &&
    after.length > 0 &&
    after[after.length - 1]! < Math.min(GONE_DB, peaks[highest]! / 2)
  ) {
    const loud = (index: number) => peaks[index]! >= peaks[highest]! / 2
    let [first, last] = [highest, highest]
    while (first > 0 && loud(first - 1)) first--
    while (last < read.length - 1 && loud(last + 1)) last++
    const between = (a: number, b: number) => (read[a]!.settingPct + read[b]!.settingPct) / 2
    return {
      kind: 'resonance',
      fromPct: Math.round(first > 0 ? between(first - 1, first) : read[first]!.settingPct),
      toPct: Math.round(last < read.length - 1 ? between(last, last + 1) : read[last]!.settingPct),
      overDb: peaks[highest]!,
    }
  }
  const mean = (list: readonly number[]) => list.reduce((total, x) => total + x, 0) / list.length
  const [x, y] = [mean(decades), mean(read.map(({ soundDb }) => soundDb))]
  const slope =
    read.reduce((total, { soundDb }, index) => total + (decades[index]! - x) * (soundDb - y), 0) /
    decades.reduce((total, decade) => total + (decade - x) ** 2, 0)
  return slope > STEEP ? { kind: 'steep', dbPerDecade: slope } : { kind: 'as-law' }
}
