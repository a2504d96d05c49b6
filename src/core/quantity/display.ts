import type { DecimalMark } from '@/core/quantity/format'
import { knownDates, USUAL_DATES, type DateStyle } from '@/core/quantity/dateStyle'

/** How large a person reads, of the usual size. */
export const TEXT_SIZES = { usual: 1, large: 1.15, larger: 1.3 } as const
export type TextSize = keyof typeof TEXT_SIZES

/** How a screen is to be for a person, beside the units of its figures. */
export type Display = {
  readonly textSize: TextSize
  /** Which thumb reaches the main action of a phone. */
  readonly hand: 'right' | 'left'
  readonly dates: DateStyle
  readonly decimalMark: DecimalMark
}

export const USUAL_DISPLAY: Display = { textSize: 'usual', hand: 'right', dates: USUAL_DATES, decimalMark: '.' }

/** Of what a row or a form says; what is no choice is the usual.
 *  @param said of whatever shape */
export function knownDisplay(said: unknown): Display {
  const { textSize, hand, dates, decimalMark } = (typeof said === 'object' && said !== null ? said : {}) as Readonly<
    Record<string, unknown>
  >
  return {
    textSize: typeof textSize === 'string' && Object.hasOwn(TEXT_SIZES, textSize) ? (textSize as TextSize) : 'usual',
    hand: hand === 'left' ? 'left' : 'right',
    dates: knownDates(dates),
    decimalMark: decimalMark === ',' ? ',' : '.',
  }
}
