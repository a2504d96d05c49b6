import { formatNumber } from '@/core/quantity/format'

/** A minute of the day as a clock shows it. */
export const clockText = (minute: number): string =>
  `${formatNumber(Math.floor(minute / 60), 0).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`
