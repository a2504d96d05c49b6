/** A time as loggers write it, in ms since 1970; a time without a zone is taken as written, as if in UTC, so that the
 *  day on the chart is the day on the logger. NaN for what cannot be read, or can be read two ways. */
export function parseLoggerTime(text: string): number {
  const said = text.trim()
  if (/^\d{10}$/.test(said)) return Number(said) * 1000
  if (/^\d{13}$/.test(said)) return Number(said)
  const iso = /^(\d{4})-(\d{2})-(\d{2})[T ](\d{2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/.exec(said)
  const european = /^(\d{1,2})\.(\d{1,2})\.(\d{4}) (\d{1,2}):(\d{2})(?::(\d{2}))?$/.exec(said)
  if (iso) return utc(iso.slice(1, 7)) - zoneMs(iso[7])
  if (european) {
    const [day, month, year, ...time] = european.slice(1, 7)
    return utc([year, month, day, ...time])
  }
  return NaN
}

function zoneMs(zone: string | undefined): number {
  const match = /^([+-])(\d{2}):?(\d{2})$/.exec(zone ?? '')
  if (!match) return 0
  const ms = (Number(match[2]) * 60 + Number(match[3])) * 60000
  return match[1] === '-' ? -ms : ms
}

function utc(pieces: readonly (string | undefined)[]): number {
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0] = pieces.map((piece) => Number(piece ?? 0))
  const ms = Date.UTC(year, month - 1, day, hour, minute, second)
  const back = new Date(ms)
  // Date.UTC rolls 31 February over into March; a logger does not mean that.
  const isReal =
    back.getUTCMonth() === month - 1 && back.getUTCDate() === day && hour < 24 && minute < 60 && second < 60
  return isReal ? ms : NaN
}
