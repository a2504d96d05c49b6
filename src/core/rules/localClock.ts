import { clockText } from '@/core/quantity/clock'
import type { DateStyle } from '@/core/quantity/dateStyle'

/** The days of the week, Monday first. */
export const DAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const

/** The local time of an instant as a clock on the wall shows it: seconds since Monday 00:00. An hour that is left out or comes twice with
 *  daylight saving is left out or comes twice here.
 *  @param zone IANA name, "Europe/London" */
export function localWeekClock(zone: string): (atMs: number) => number {
  const format = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'short',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    hourCycle: 'h23',
  })
  return (atMs) => {
    const parts = Object.fromEntries(format.formatToParts(atMs).map(({ type, value }) => [type, value]))
    return (
      DAY_NAMES.findIndex((day) => day === parts.weekday) * 86400 +
      Number(parts.hour) * 3600 +
      Number(parts.minute) * 60 +
      Number(parts.second)
    )
  }
}

/** A time of the week as it is said: Tue 14:20. */
export const weekClockText = (weekS: number, style?: Pick<DateStyle, 'clock'>): string =>
  `${DAY_NAMES[Math.floor(weekS / 86400)] ?? ''} ${clockText(Math.floor((weekS % 86400) / 60), style)}`
