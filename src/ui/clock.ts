import { clockText } from '@/core/quantity/clock'
import { CLOCK_LANGUAGE, USUAL_DATES, type DateStyle } from '@/core/quantity/dateStyle'
import type { UnitPreference } from '@/core/quantity/format'
import { dayOf, dayText, yearDayText } from '@/core/rules/yearDay'

/** How instants are said to a person: in their own order and clock, where the browser is or where the site is. */
export type Moments = {
  /** Time of day with seconds: 12:04:31. */
  readonly clock: (iso: string) => string
  /** Day: 19 Nov, with the year when it is not the one of `now`. */
  readonly day: (iso: string, now?: Date) => string
  /** Day and time of day, with the zone where it is the site’s. */
  readonly dayAndClock: (iso: string) => string
}

let knownZone: string | undefined

/** Where the browser is; asked once, as it takes its time. */
const zoneHere = (): string => (knownZone ??= Intl.DateTimeFormat().resolvedOptions().timeZone)

const made = new Map<string, Moments>()

/** The words for instants of this person; the same object for the same wishes.
 *  @param here where they are taken to be as long as no zone is asked for */
export function momentsFor(
  { dates = USUAL_DATES, zone }: Pick<UnitPreference, 'dates' | 'zone'>,
  here = zoneHere(),
): Moments {
  const key = `${dates.order} ${dates.clock} ${zone ?? ''} ${here}`
  const before = made.get(key)
  if (before) return before
  const moments = makeMoments(dates, zone, here)
  made.set(key, moments)
  return moments
}

function makeMoments(dates: DateStyle, zone: string | undefined, here: string): Moments {
  const format = (more: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(CLOCK_LANGUAGE[dates.clock], {
      ...{ hour: dates.clock === '12' ? 'numeric' : '2-digit', minute: '2-digit' },
      ...more,
      timeZone: zone ?? here,
    })
  const full = format({ second: '2-digit' })
  const short = format(zone === undefined ? {} : { timeZoneName: 'short' })
  const label = (at: string) => dayOf(at, zone ?? here)
  const day = (iso: string, now = new Date()): string => {
    const date = label(iso)
    const isThisYear = date.slice(0, 4) === label(now.toISOString()).slice(0, 4)
    return isThisYear && dates.order !== 'year' ? yearDayText(date.slice(5), dates) : dayText(date, dates)
  }
  return {
    clock: (iso) => full.format(new Date(iso)),
    day,
    dayAndClock: (iso) => `${day(iso)} ${short.format(new Date(iso))}`,
  }
}

/** Today where the browser is, as a label has it: 2026-11-25. */
export const today = (at: Date = new Date()): string => dayOf(at.toISOString(), zoneHere())

/** Day and time that a wall clock shows, which is kept as an instant of UTC that has its figures. */
export const wallDay = (wallMs: number, dates?: DateStyle): string =>
  yearDayText(new Date(wallMs).toISOString().slice(5, 10), dates)
export const wallTime = (wallMs: number, dates?: DateStyle): string =>
  clockText(Math.floor(wallMs / 60_000) % 1440, dates)

const two = (x: number) => String(x).padStart(2, '0')

/** Seconds as a stopwatch shows them: 04:31, 75:00. */
export const clockOfS = (s: number): string => `${two(Math.floor(s / 60))}:${two(Math.floor(s % 60))}`
