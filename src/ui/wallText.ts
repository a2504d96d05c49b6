import { wallClock } from '@/core/formats/readingsCsv/zone'
import type { DateStyle } from '@/core/quantity/dateStyle'
import { dayText } from '@/core/rules/yearDay'
import { wallDay, wallTime } from '@/ui/clock'

/** Day and time of an instant as the logger's clock had it: 9 Nov 2026 14:20. */
export function wallText(atMs: number, zone: string, dates?: DateStyle): string {
  const wallMs = wallClock(zone)(atMs)
  return `${dayText(new Date(wallMs).toISOString().slice(0, 10), dates)} ${wallTime(wallMs, dates)}`
}

const HOUR = 3_600_000
const STEPS_MS = [
  ...[1, 2, 5, 10, 30].map((minutes) => minutes * 60_000),
  ...[1, 2, 3, 6, 12, 24, 48, 96, 168, 336, 720, 1440, 2160, 4320, 8760].map((hours) => hours * HOUR),
]

/** About seven ticks of a time axis, at times a clock would show, and their words: the day at its midnight, the hour else. */
export function timeTicks(
  zone: string,
  fromMs: number,
  toMs: number,
  dates?: DateStyle,
): { readonly ticks: number[]; readonly text: (atMs: number) => string } {
  const wall = wallClock(zone)
  const stepMs = STEPS_MS.find((step) => (toMs - fromMs) / step <= 7) ?? STEPS_MS[STEPS_MS.length - 1]!
  const first = Math.ceil(wall(fromMs) / stepMs) * stepMs - wall(fromMs)
  const count = Math.max(0, Math.floor((toMs - fromMs - first) / stepMs) + 1)
  return {
    ticks: Array.from({ length: count }, (_, index) => fromMs + first + index * stepMs),
    text: (atMs) => {
      const at = wall(atMs)
      return at % (24 * HOUR) === 0 || stepMs >= 24 * HOUR ? wallDay(at, dates) : wallTime(at, dates)
    },
  }
}
