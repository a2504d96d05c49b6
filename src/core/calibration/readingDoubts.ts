import { assertNever } from '@/core/assertNever'
import type { Sized } from '@/core/calibration/flowMap'
import type { MapReading } from '@/core/calibration/schema'
import { pooled } from '@/core/motor/monotone'
import { formatNumber, formatQuantity, METRIC, type UnitPreference } from '@/core/quantity/format'

/** Something a colleague would question in a reading. `meant` is the value that would fit, and `unit` what it was read in. */
export type ReadingDoubt = { readonly reading: MapReading } & (
  | { readonly kind: 'off-line'; readonly offShare: number }
  | { readonly kind: 'falls'; readonly belowLs: number }
  | { readonly kind: 'all-equal' }
  | { readonly kind: 'over-rated'; readonly times: number }
  | { readonly kind: 'unit'; readonly field: SlipField; readonly meant: number; readonly unit: string }
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
const OFF_SHARE = 0.1

/** What the other readings would have at this setting: flow per percent, between the neighbours or from the nearest. */
function expected(others: readonly (readonly [pct: number, value: number])[], pct: number): number | null {
  const known = pooled(others.map(([x, y]) => ({ x, y })))
  const above = known.find(({ x }) => x >= pct)
  const below = known.findLast(({ x }) => x <= pct)
  if (above && below)
    return above.x === below.x ? above.y : below.y + ((above.y - below.y) * (pct - below.x)) / (above.x - below.x)
  const near = above ?? below
  return near && near.x > 0 ? (near.y * pct) / near.x : null
}

/** The unit a value was probably typed in, when one slip brings it to what it should be. */
function slip(reading: MapReading, field: SlipField, should: number): ReadingDoubt | null {
  const value = reading[field]
  if (value === null) return null
  for (const [unit, inBase] of SLIPS[field])
    if (Math.abs((value * inBase) / should - 1) < SLIP_WITHIN)
      return { kind: 'unit', reading, field, meant: Number((value * inBase).toPrecision(3)), unit }
  return null
}

type Valued = { readonly reading: MapReading; readonly value: number; readonly field: SlipField }

/** The worst reading against the others first; what is doubted no longer speaks against its neighbours. */
function disagreeing(valued: readonly Valued[]): ReadingDoubt[] {
  const doubts: ReadingDoubt[] = []
  let left = [...valued].sort((a, b) => a.reading.settingPct - b.reading.settingPct)
  const topValue = Math.max(...left.map(({ value }) => value))
  while (left.length >= 3) {
    const judged = left.flatMap((one, index) => {
      const others = left.filter((_, place) => place !== index)
      const should = expected(
        others.map(({ reading, value }) => [reading.settingPct, value] as const),
        one.reading.settingPct,
      )
      if (should === null || should <= 0 || one.value <= 0) return []
      const isEnd = index === 0 || index === left.length - 1
      const share = one.value / should - 1
      const below = left.slice(0, index).find(({ value }) => value * (1 - OFF_SHARE) > one.value)
      const doubt: ReadingDoubt | null =
        slip(one.reading, one.field, should) ??
        // Beyond the ends the law is only a guess, and a small flow off by little is no error.
        (one.field === 'rpm' || isEnd || Math.abs(share) < OFF_SHARE || Math.abs(one.value - should) < 0.03 * topValue
          ? null
          : below
            ? { kind: 'falls', reading: one.reading, belowLs: below.value }
            : { kind: 'off-line', reading: one.reading, offShare: share })
      return doubt ? [{ one, doubt, off: Math.abs(Math.log(one.value / should)) }] : []
    })
    const worst = judged.reduce<(typeof judged)[number] | null>((a, b) => (a && a.off >= b.off ? a : b), null)
    if (!worst) break
    doubts.push(worst.doubt)
    left = left.filter((one) => one !== worst.one)
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
    return [{ kind: 'all-equal', reading: first.reading }]
  const turning = all.flatMap((reading): Valued[] =>
    reading.setAside || reading.rpm === null ? [] : [{ reading, value: reading.rpm, field: 'rpm' }],
  )
  const overRated = turning.flatMap(({ reading, value }): ReadingDoubt[] =>
    ratedRpm !== null && value > 2 * ratedRpm ? [{ kind: 'over-rated', reading, times: value / ratedRpm }] : [],
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

/** The doubt as a sentence with the way out. */
export function doubtText(doubt: ReadingDoubt, preference: UnitPreference = METRIC): string {
  const at = `At ${formatNumber(doubt.reading.settingPct, 0)} %`
  switch (doubt.kind) {
    case 'off-line':
      return `${at} the flow lies ${formatNumber(Math.abs(doubt.offShare) * 100, 0)} % ${doubt.offShare > 0 ? 'over' : 'under'} what its neighbours say: read it again, or set it aside.`
    case 'falls':
      return `${at} less flow was read than at a lower speed (${formatQuantity(doubt.belowLs, 'flow', preference)} there), which no fan does: read both again.`
    case 'all-equal':
      return 'Every setting gave the same flow: the signal does not reach the fan, or the instrument held its value. Read again.'
    case 'over-rated':
      return `${at} the speed is ${formatNumber(doubt.times, 1)} times the rated one: two pulses a turn, or another unit?`
    case 'unit':
      return `${at} did you mean ${meantText(doubt, preference)}? What was typed looks like ${doubt.unit}.`
    default:
      return assertNever(doubt)
  }
}

const FIELD_QUANTITY = { velocityMs: 'airSpeed', flowLs: 'flow', rpm: 'rotation' } as const

export const meantText = (
  { meant, field }: Extract<ReadingDoubt, { kind: 'unit' }>,
  preference: UnitPreference = METRIC,
): string => formatQuantity(meant, FIELD_QUANTITY[field], preference, field === 'velocityMs' ? 1 : undefined)
