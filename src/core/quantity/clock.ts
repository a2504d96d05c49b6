import { USUAL_DATES, type DateStyle } from '@/core/quantity/dateStyle'
import { formatNumber } from '@/core/quantity/format'

/** A minute of the day as a clock shows it: “14:05”, or “2:05 PM”. */
export function clockText(minute: number, { clock }: Pick<DateStyle, 'clock'> = USUAL_DATES): string {
  const [hour, past] = [Math.floor(minute / 60), String(minute % 60).padStart(2, '0')]
  if (clock === '24') return `${formatNumber(hour, 0).padStart(2, '0')}:${past}`
  return `${formatNumber(hour % 12 || 12, 0)}:${past} ${hour % 24 < 12 ? 'AM' : 'PM'}`
}
