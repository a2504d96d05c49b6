const two = (x: number): string => String(x).padStart(2, '0')

/** Time of day of an instant, where the browser is: 12:04:31. */
export function formatClock(iso: string): string {
  const at = new Date(iso)
  return `${two(at.getHours())}:${two(at.getMinutes())}:${two(at.getSeconds())}`
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** Day of an instant: 19 Nov, with the year when it is not the one of `today`. */
export function formatDay(iso: string, today: Date = new Date()): string {
  const at = new Date(iso)
  const day = `${at.getDate()} ${MONTHS[at.getMonth()] ?? ''}`
  return at.getFullYear() === today.getFullYear() ? day : `${day} ${at.getFullYear()}`
}

export const formatDayAndClock = (iso: string): string => `${formatDay(iso)} ${formatClock(iso).slice(0, 5)}`

/** Today where the browser is, as a label has it: 2026-11-25. */
export function today(at: Date = new Date()): string {
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
}
