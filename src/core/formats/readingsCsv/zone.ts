import { AS_WRITTEN } from '@/core/formats/readingsCsv/layout'

const QUARTER_MS = 900_000

/** Whether this machine knows the zone. */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: zone })
    return true
  } catch {
    return false
  }
}

/** What the clock on a wall in that zone shows at an instant, as ms since 1970 as if it were UTC. */
export function wallClock(zone: string): (atMs: number) => number {
  if (zone === AS_WRITTEN) return (atMs) => atMs
  const format = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    hourCycle: 'h23',
  })
  // Offsets change at whole quarters of an hour: one look at the calendar serves all instants of a quarter.
  const offsets = new Map<number, number>()
  return (atMs) => {
    const quarter = Math.floor(atMs / QUARTER_MS)
    let offsetMs = offsets.get(quarter)
    if (offsetMs === undefined) {
      const part = Object.fromEntries(
        format.formatToParts(quarter * QUARTER_MS).map(({ type, value }) => [type, value]),
      )
      offsetMs =
        Date.UTC(
          Number(part.year),
          Number(part.month) - 1,
          Number(part.day),
          Number(part.hour),
          Number(part.minute),
          Number(part.second),
        ) -
        quarter * QUARTER_MS
      if (offsets.size > 5000) offsets.clear()
      offsets.set(quarter, offsetMs)
    }
    return atMs + offsetMs
  }
}

/** The instants at which the clock on that wall shows a time: two in the hour that comes twice, none in the one that is left out. */
export function instantsOf(zone: string): (wallMs: number) => readonly number[] {
  if (zone === AS_WRITTEN) return (wallMs) => [wallMs]
  const wall = wallClock(zone)
  return (wallMs) => {
    const offsets = new Set([-86_400_000, 0, 86_400_000].map((away) => wall(wallMs + away) - (wallMs + away)))
    return [...offsets]
      .map((offset) => wallMs - offset)
      .filter((atMs) => wall(atMs) === wallMs)
      .sort((a, b) => a - b)
  }
}
