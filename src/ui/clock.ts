const LANGUAGE = 'en-GB'
const CLOCK = new Intl.DateTimeFormat(LANGUAGE, { hour: '2-digit', minute: '2-digit', second: '2-digit' })
const SHORT_CLOCK = new Intl.DateTimeFormat(LANGUAGE, { hour: '2-digit', minute: '2-digit' })
const DAY = new Intl.DateTimeFormat(LANGUAGE, { day: 'numeric', month: 'short' })
const DAY_AND_YEAR = new Intl.DateTimeFormat(LANGUAGE, { day: 'numeric', month: 'short', year: 'numeric' })
// As a label and a file have it: 2026-11-25.
const LABEL = new Intl.DateTimeFormat('sv-SE')

/** Time of day of an instant, where the browser is: 12:04:31. */
export const formatClock = (iso: string): string => CLOCK.format(new Date(iso))

/** Day of an instant: 19 Nov, with the year when it is not the one of `today`. */
export function formatDay(iso: string, today: Date = new Date()): string {
  const at = new Date(iso)
  return (at.getFullYear() === today.getFullYear() ? DAY : DAY_AND_YEAR).format(at)
}

export const formatDayAndClock = (iso: string): string => `${formatDay(iso)} ${SHORT_CLOCK.format(new Date(iso))}`

/** Today where the browser is, as a label has it: 2026-11-25. */
export const today = (at: Date = new Date()): string => LABEL.format(at)

// A wall clock is kept as an instant of UTC that has its figures.
const WALL_DAY = new Intl.DateTimeFormat(LANGUAGE, { day: 'numeric', month: 'short', timeZone: 'UTC' })
const WALL_CLOCK = new Intl.DateTimeFormat(LANGUAGE, { hour: '2-digit', minute: '2-digit', timeZone: 'UTC' })

/** Day and time that a wall clock shows, in milliseconds as if it were UTC. */
export const wallDay = (wallMs: number): string => WALL_DAY.format(wallMs)
export const wallTime = (wallMs: number): string => WALL_CLOCK.format(wallMs)

const two = (x: number) => String(x).padStart(2, '0')

/** Seconds as a stopwatch shows them: 04:31, 75:00. */
export const clockOfS = (s: number): string => `${two(Math.floor(s / 60))}:${two(Math.floor(s % 60))}`
