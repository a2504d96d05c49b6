import type { Sized } from '@/core/calibration/flowMap'
import { lawLine } from '@/core/calibration/lawLine'
import type { MapReading } from '@/core/calibration/schema'

/** Something a colleague would question in a reading. `meant` is the value that would fit, and `unit` what it was read in. */
export type ReadingDoubt = { readonly reading: MapReading } & (
  | { readonly code: 'off-line'; readonly offShare: number }
  | { readonly code: 'falls'; readonly belowLs: number }
  | { readonly code: 'all-equal' }
  | { readonly code: 'over-rated'; readonly times: number }
  | { readonly code: 'unit'; readonly field: SlipField; readonly meant: number; readonly unit: string }
)
type SlipField = 'velocityMs' | 'flowLs' | 'rpm'

/** Units in which an instrument may have shown a value that was typed as m/s, l/s or rpm, and what one of them is. */
const SLIPS: Record<SlipField, readonly (readonly [unit: string, inBase: number])[]> = {
  velocityMs: [
    ['km/h', 1 / 3.6],
    ['ft/min', 0.00508],
  ],
  flowLs: [
    ['m³/h', 1 / 3.6],
    ['cfm', 0.4719474],
  ],
  rpm: [['rev/s', 60]],
}
/** How near a slip must come to be offered. Common practice, no source. */
const SLIP_WITHIN = 0.12
/** How far off the line (as a logarithm) is too far: among readings that lie on it to a hundredth or so, and among honest scatter. Found by
 *  simulation (`readingDoubts.test.ts`): of clean maps with up to 5 % of noise at most 2 % of the readings are doubted, and 95 % of those that
 *  are off by a quarter are found. */
const OFF_AMONG_CALM = 0.1
const OFF_AMONG_SCATTER = 0.165
const CALM = 0.015
/** A reading has to fall this far below one at a lower speed to be called impossible. */
const FALLS_SHARE = 0.1
/** Fewer readings than this do not say which of them is the odd one. */
const ENOUGH = 4

/** The unit a value was probably typed in, when one slip brings it to what it should be. */
function slip(reading: MapReading, field: SlipField, should: number): ReadingDoubt | null {
  const value = reading[field]
  if (value === null) return null
  for (const [unit, inBase] of SLIPS[field])
    if (Math.abs((value * inBase) / should - 1) < SLIP_WITHIN)
      return { code: 'unit', reading, field, meant: Number((value * inBase).toPrecision(3)), unit }
  return null
}

type Valued = { readonly reading: MapReading; readonly value: number; readonly field: SlipField }

/** The reading farthest off the line first; what is doubted no longer speaks against the rest. */
function disagreeing(valued: readonly Valued[]): ReadingDoubt[] {
  const doubts: ReadingDoubt[] = []
  let left = valued.filter(({ reading, value }) => reading.settingPct > 0 && value > 0)
  const topValue = Math.max(...left.map(({ value }) => value))
  while (left.length >= 3) {
    const line = lawLine(left.map(({ reading, value }) => ({ pct: reading.settingPct, value })))
    const lying = left
      .map((one) => ({ one, should: line(one.reading.settingPct) }))
      .map(({ one, should }) => ({ one, should, off: Math.abs(Math.log(one.value / should)) }))
      .sort((a, b) => b.off - a.off)
    const restOff = Math.sqrt(lying.slice(1).reduce((sum, { off }) => sum + off ** 2, 0) / (lying.length - 1))
    const tooFar = restOff < CALM ? OFF_AMONG_CALM : OFF_AMONG_SCATTER
    const isEnough = left.length >= ENOUGH
    const found = lying.find(
      ({ one, should, off }) =>
        slip(one.reading, one.field, should) !== null ||
        // A small flow off by little is no error, and of a rotation only its unit is doubted.
        (isEnough && one.field !== 'rpm' && off > tooFar && Math.abs(one.value - should) > 0.02 * topValue),
    )
    if (!found) break
    const { one, should } = found
    const below = left.find(
      ({ reading, value }) =>
        reading.settingPct < one.reading.settingPct && value * (1 - FALLS_SHARE) > one.value && one.value < should,
    )
    doubts.push(
      slip(one.reading, one.field, should) ??
        (below
          ? { code: 'falls', reading: one.reading, belowLs: below.value }
          : { code: 'off-line', reading: one.reading, offShare: one.value / should - 1 }),
    )
    left = left.filter((other) => other !== one)
  }
  return doubts
}

/** Readings that cannot be, or that disagree with the rest. Set-aside ones are left in peace.
 *  @param ratedRpm of the fan; null where the plate says nothing */
export function readingDoubts(
  sized: readonly Sized[],
  ratedRpm: number | null,
  all: readonly MapReading[] = sized.map(({ reading }) => reading),
): ReadingDoubt[] {
  const used = sized.filter(({ reading }) => !reading.setAside)
  const [first] = used
  const settings = new Set(used.map(({ reading }) => reading.settingPct))
  if (first && settings.size >= 3 && used.every(({ flowLs }) => flowLs === first.flowLs))
    return [{ code: 'all-equal', reading: first.reading }]
  const turning = all.flatMap((reading): Valued[] =>
    reading.setAside || reading.rpm === null ? [] : [{ reading, value: reading.rpm, field: 'rpm' }],
  )
  const overRated = turning.flatMap(({ reading, value }): ReadingDoubt[] =>
    ratedRpm !== null && value > 2 * ratedRpm ? [{ code: 'over-rated', reading, times: value / ratedRpm }] : [],
  )
  return [
    ...disagreeing(
      used.map(({ reading, flowLs }) =>
        reading.flowLs === null
          ? { reading, value: reading.velocityMs!, field: 'velocityMs' }
          : { reading, value: flowLs, field: 'flowLs' },
      ),
    ),
    ...overRated,
    ...disagreeing(turning.filter(({ reading }) => !overRated.some((doubt) => doubt.reading === reading))),
  ]
}
