import { USUAL_DATES, type DateStyle } from '@/core/quantity/dateStyle'
import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Id, Name } from '@/core/json/vocabulary'

/** A day of every year, month and day: 04-15. */
const YearDay = Type.String({
  pattern: '^(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])$',
  description: 'a day of the year, MM-DD',
})

/** A part of the year under a name, hemisphere-free: its first and its last day both count, and it may run over the turn of the year. */
export const Season = Type.Object(
  {
    id: Id,
    name: Name,
    from: about('its first day, MM-DD', YearDay),
    to: about('its last day, MM-DD; before the first: in the next year', YearDay),
  },
  closed,
)
export type Season = Static<typeof Season>

/** Days before each month in a year with a 29 February: places of days are counted in such a year, so that a date is at one place in all. */
const BEFORE_MONTH = [0, 31, 60, 91, 121, 152, 182, 213, 244, 274, 305, 335, 366] as const
export const YEAR_DAYS = 366
export const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const

/** The place of a day in the year, 0 for 1 January; null where the month has no such day. */
export function placeInYear(day: string): number | null {
  const [month, date] = day.split('-').map(Number) as [number, number]
  const place = BEFORE_MONTH[month - 1]! + date - 1
  return place < BEFORE_MONTH[month]! ? place : null
}

/** The place in the year of a date in days since 1970-01-01 (local); NaN where it is not known. */
export function placeOfDate(date: number): number {
  if (Number.isNaN(date)) return NaN
  const at = new Date(Math.floor(date) * 86_400_000)
  return BEFORE_MONTH[at.getUTCMonth()]! + at.getUTCDate() - 1
}

/** Which season each day of the year is in, by its place in the list; −1 for none. Where two hold a day the first counts. */
export function seasonOfDays(seasons: readonly Season[]): Int8Array {
  const of = new Int8Array(YEAR_DAYS).fill(-1)
  for (let index = seasons.length - 1; index >= 0; index--)
    for (const place of daysOf(seasons[index]!)) of[place] = index
  return of
}

/** Every day of a season, by its place in the year. */
export function daysOf({ from, to }: Season): number[] {
  const [first, last] = [placeInYear(from), placeInYear(to)]
  if (first === null || last === null) return []
  const length = ((last - first + YEAR_DAYS) % YEAR_DAYS) + 1
  return Array.from({ length }, (_, day) => (first + day) % YEAR_DAYS)
}

/** A day of the year (MM-DD) as it is said: 15 Apr; Apr 15 where dates do not begin with the day. */
export function yearDayText(day: string, { order }: Pick<DateStyle, 'order'> = USUAL_DATES): string {
  const [month, date] = day.split('-').map(Number) as [number, number]
  const name = MONTHS[month - 1] ?? ''
  return order === 'day' ? `${date} ${name}` : `${name} ${date}`
}

/** A date (YYYY-MM-DD) as it is said: 15 Apr 2026, Apr 15, 2026, or as it is written. */
export function dayText(date: string, style: Pick<DateStyle, 'order'> = USUAL_DATES): string {
  if (style.order === 'year') return date
  return `${yearDayText(date.slice(5), style)}${style.order === 'month' ? ',' : ''} ${date.slice(0, 4)}`
}

const dayFormats = new Map<string, Intl.DateTimeFormat>()

/** The day of an instant (ISO 8601) in a time zone, YYYY-MM-DD; in UTC where none is named.
 *  @throws {RangeError} for a zone that is none */
export function dayOf(iso: string, zone = 'UTC'): string {
  // Swedish dates are written as labels are.
  const format = dayFormats.get(zone) ?? new Intl.DateTimeFormat('sv-SE', { timeZone: zone })
  dayFormats.set(zone, format)
  return format.format(new Date(iso))
}

/** A place in the year as a day, MM-DD. */
export function dayAtPlace(place: number): string {
  const month = BEFORE_MONTH.findLastIndex((before) => before <= place)
  const two = (x: number) => String(x).padStart(2, '0')
  return `${two(month + 1)}-${two(place - BEFORE_MONTH[month]! + 1)}`
}

/** A date in days since 1970-01-01, written YYYY-MM-DD, and back. */
export const dateText = (date: number): string => new Date(Math.floor(date) * 86_400_000).toISOString().slice(0, 10)
export const dateOf = (written: string): number => Date.parse(`${written}T00:00:00Z`) / 86_400_000
