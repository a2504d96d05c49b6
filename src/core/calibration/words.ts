import type { ReadingDoubt } from '@/core/calibration/readingDoubts'
import { formatNumber, formatQuantity, METRIC, type UnitPreference } from '@/core/quantity/format'

type Code = ReadingDoubt['code']
type Of<C extends Code> = Extract<ReadingDoubt, { code: C }>

const at = ({ reading }: ReadingDoubt): string => `At ${formatNumber(reading.settingPct, 0)} %`

/** What is said of each doubt, with the way out. */
const TEXTS: { readonly [C in Code]: (doubt: Of<C>, preference: UnitPreference) => string } = {
  'off-line': (doubt) =>
    `${at(doubt)} the flow lies ${formatNumber(Math.abs(doubt.offShare) * 100, 0)} % ${doubt.offShare > 0 ? 'over' : 'under'} what its neighbours say: read it again, or set it aside.`,
  falls: (doubt, preference) =>
    `${at(doubt)} less flow was read than at a lower speed (${formatQuantity(doubt.belowLs, 'flow', preference)} there), which no fan does: read both again.`,
  'all-equal': () =>
    'Every setting gave the same flow: the signal does not reach the fan, or the instrument held its value. Read again.',
  'over-rated': (doubt, preference) =>
    `${at(doubt)} the speed is ${formatNumber(doubt.times, 1, preference)} times the rated one: two pulses a turn, or another unit?`,
  unit: (doubt, preference) =>
    `${at(doubt)} did you mean ${meantText(doubt, preference)}? What was typed looks like ${doubt.unit}.`,
}

/** The doubt as a sentence. */
export const doubtText = (doubt: ReadingDoubt, preference: UnitPreference = METRIC): string =>
  (TEXTS[doubt.code] as (doubt: ReadingDoubt, preference: UnitPreference) => string)(doubt, preference)

const FIELD_QUANTITY = { velocityMs: 'airSpeed', flowLs: 'flow', rpm: 'rotation' } as const

/** The value that was probably meant, in the reader's unit. */
export const meantText = ({ meant, field }: Of<'unit'>, preference: UnitPreference = METRIC): string =>
  formatQuantity(meant, FIELD_QUANTITY[field], preference, field === 'velocityMs' ? 1 : undefined)
