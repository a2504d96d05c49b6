import { type FlowMapOutcome, type Sized, speedPctFor } from '@/core/calibration/flowMap'
import type { MapReading } from '@/core/calibration/schema'
import { readingDoubts } from '@/core/calibration/readingDoubts'

export type NextReading = {
  readonly settingPct: number
  readonly why: 'top' | 'lowest' | 'required' | 'gap' | 'again'
}

export const NEXT_READING_WHY: Record<NextReading['why'], string> = {
  top: 'full speed, which carries the fan-law line',
  lowest: 'the lowest it restarts at, where the law is least to be trusted',
  required: 'near the speed that gives the required flow',
  gap: 'the widest gap that is left',
  again: 'a reading there is off its neighbours: read it once more',
}

const NEAR_PCT = 4
const WIDEST_GAP_PCT = 30

/** The setting at which one more reading tells most; null when the readings are enough.
 *  Order: the two ends, then the doubtful ones again, then where the required flow lies, then the widest gap.
 *  @param lowestPct lowest speed worth reading: where it restarts by itself */
export function nextReading(
  sized: readonly Sized[],
  lowestPct: number,
  flow: FlowMapOutcome | null,
  requiredLs: number | null,
): NextReading | null {
  const used = sized.filter(({ reading }) => !reading.setAside)
  const at = used.map(({ reading }) => reading.settingPct).sort((a, b) => a - b)
  const isRead = (pct: number) => at.some((read) => Math.abs(read - pct) < NEAR_PCT)
  const low = Math.min(95, Math.ceil(lowestPct))
  if (!isRead(100)) return { settingPct: 100, why: 'top' }
  if (!isRead(low)) return { settingPct: low, why: 'lowest' }
  const off = readingDoubts(sized, null).find(({ code }) => code === 'off-line' || code === 'falls')
  const readThere = (reading: MapReading) =>
    used.filter(({ reading: other }) => other.settingPct === reading.settingPct).length
  if (off && readThere(off.reading) < 2) return { settingPct: off.reading.settingPct, why: 'again' }
  const neededPct = requiredLs !== null && flow?.kind === 'map' ? speedPctFor(flow.map, requiredLs) : null
  if (neededPct !== null && neededPct >= low && !isRead(Math.round(neededPct)))
    return { settingPct: Math.round(neededPct), why: 'required' }
  const gaps = at.slice(1).map((pct, index) => ({ from: at[index]!, wide: pct - at[index]! }))
  const widest = gaps.reduce((most, gap) => (gap.wide > most.wide ? gap : most), { from: low, wide: 0 })
  if (widest.wide <= WIDEST_GAP_PCT && at.length >= 4) return null
  return { settingPct: Math.round((widest.from + widest.wide / 2) / 5) * 5, why: 'gap' }
}
