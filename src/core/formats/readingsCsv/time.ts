import type { DateOrder } from '@/core/formats/readingsCsv/layout'

/** A time as a logger writes it: the instant where it names its zone, otherwise what its clock showed, as if in UTC. */
export type LoggerTime = { readonly ms: number; readonly isInstant: boolean }

const ISO =
  /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})[T ]\s*(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(Z|[+-]\d{2}:?\d{2}|[AaPp]\.?[Mm]\.?)?$/
const DAY_FIRST = /^(\d{1,2})\.(\d{1,2})\.(\d{4}|\d{2}) +(\d{1,2}):(\d{2})(?::(\d{2}))?$/
const SLASHED = /^(\d{1,2})[/-](\d{1,2})[/-](\d{4}|\d{2}),? +(\d{1,2}):(\d{2})(?::(\d{2}))?\s*([AaPp]\.?[Mm]\.?)?$/

/** Reads a logger's time; null for what cannot be read. A date with slashes is read in the order given, and not at all where none is: it can
 *  be read two ways. */
export function parseLoggerTime(text: string, order: DateOrder = 'ymd'): LoggerTime | null {
  const trimmed = text.trim()
  if (/^\d{10}$/.test(trimmed)) return { ms: Number(trimmed) * 1000, isInstant: true }
  if (/^\d{13}$/.test(trimmed)) return { ms: Number(trimmed), isInstant: true }
  const iso = ISO.exec(trimmed)
  if (iso) {
    const zone = iso[7]
    const half = /m/i.test(zone ?? '') ? zone : undefined
    const ms = utc(iso.slice(1, 7), half)
    if (ms === null) return null
    return zone && !half ? { ms: ms - zoneMs(zone), isInstant: true } : { ms, isInstant: false }
  }
  const day = DAY_FIRST.exec(trimmed)
  if (day) return wall([day[3], day[2], day[1], ...day.slice(4, 7)])
  const slashed = order === 'dmy' || order === 'mdy' ? SLASHED.exec(trimmed) : null
  if (!slashed) return null
  const [first, second, year, ...time] = slashed.slice(1, 7)
  return wall(order === 'dmy' ? [year, second, first, ...time] : [year, first, second, ...time], slashed[7])
}

function wall(pieces: readonly (string | undefined)[], half?: string): LoggerTime | null {
  const ms = utc(pieces, half)
  return ms === null ? null : { ms, isInstant: false }
}

function zoneMs(zone: string): number {
  const match = /^([+-])(\d{2}):?(\d{2})$/.exec(zone)
  if (!match) return 0
  const ms = (Number(match[2]) * 60 + Number(match[3])) * 60000
  return match[1] === '-' ? -ms : ms
}

function utc(pieces: readonly (string | undefined)[], half: string | undefined): number | null {
  const [shortYear = 0, month = 0, day = 0, writtenHour = 0, minute = 0, second = 0] = pieces.map((piece) =>
    Number(piece ?? 0),
  )
  const year = shortYear < 100 ? 2000 + shortYear : shortYear
  if (half !== undefined && (writtenHour < 1 || writtenHour > 12)) return null
  const hour = half === undefined ? writtenHour : (writtenHour % 12) + (/p/i.test(half) ? 12 : 0)
  const ms = Date.UTC(year, month - 1, day, hour, minute, second)
  const back = new Date(ms)
  // Date.UTC rolls 31 February over into March; a logger does not mean that.
  const isReal =
    back.getUTCMonth() === month - 1 && back.getUTCDate() === day && hour < 24 && minute < 60 && second < 60
  return isReal ? ms : null
}
