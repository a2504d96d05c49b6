import { fail, ok, type Outcome, type Problem } from '@/core/json/problem'

/** An hour of a weather file; NaN where the file says that it is missing, or says nonsense. */
export type EpwHour = {
  readonly month: number
  readonly day: number
  /** 0 to 23: the hour that begins here. */
  readonly hour: number
  readonly tempC: number
  readonly rhPct: number
  readonly sunWM2: number
  readonly windMs: number
  readonly rainMm: number
}

export type Epw = {
  readonly place: string
  readonly hours: readonly EpwHour[]
  /** The first of what could not be used, by its line: each is a gap and nothing more. */
  readonly bad: readonly Problem[]
  /** How much there was of it. */
  readonly badCount: number
}

// Places of the fields of a data line, and what stands for missing. Source: EnergyPlus Auxiliary Programs, “EnergyPlus Weather File (EPW) Data
// Dictionary”, from memory.
const FIELDS = {
  tempC: { at: 6, missing: 99.9, low: -70, high: 70, name: 'dry bulb temperature' },
  rhPct: { at: 8, missing: 999, low: 0, high: 110, name: 'relative humidity' },
  sunWM2: { at: 13, missing: 9999, low: 0, high: 2000, name: 'global horizontal radiation' },
  windMs: { at: 21, missing: 999, low: 0, high: 60, name: 'wind speed' },
  rainMm: { at: 33, missing: 999, low: 0, high: 500, name: 'liquid precipitation depth' },
} as const
type FieldName = keyof typeof FIELDS

/** What must be there; the rest counts as none where it is missing. */
const NEEDED: readonly FieldName[] = ['tempC', 'rhPct']
const MOST_BAD = 20
const MOST_LINES = 100_000

function readField(cells: readonly string[], name: FieldName, line: number, tell: (bad: Problem) => void): number {
  const { at, missing, low, high, name: what } = FIELDS[name]
  const text = cells[at]?.trim() ?? ''
  const value = text === '' ? NaN : Number(text)
  const isMissing = text === '' || Math.abs(value - missing) < 0.05
  if (isMissing) return NEEDED.includes(name) ? NaN : 0
  if (value >= low && value <= high) return value
  tell(
    Number.isNaN(value)
      ? { code: 'cell_not_a_number', path: `line ${line}`, got: text, what }
      : { code: 'impossible_reading', path: `line ${line}`, what, got: text },
  )
  return NaN
}

/** Reads a weather file in the EPW format: a header that begins with LOCATION, a line DATA PERIODS, then a line an hour. A bad line is a gap of
 *  its own and is named; a file that is none of this is refused. */
export function parseEpw(text: string): Outcome<Epw> {
  const no = (detail: string) => fail({ code: 'not_epw', path: '', detail })
  if (!text.startsWith('LOCATION,')) return no('it does not begin with a line LOCATION')
  const data = text
    .trimEnd()
    .split(/\r?\n/)
    .map((line) => line.split(','))
  const periods = data.findIndex(([first]) => first === 'DATA PERIODS')
  if (periods < 0) return no('there is no line DATA PERIODS')
  const lines = data.slice(periods + 1)
  if (lines.length === 0) return no('there are no hours after DATA PERIODS')
  if (lines.length > MOST_LINES) return no(`there are more than ${MOST_LINES} lines`)
  const bad: Problem[] = []
  let badCount = 0
  function tell(problem: Problem): void {
    badCount++
    if (bad.length < MOST_BAD) bad.push(problem)
  }
  const hours = lines.flatMap((cells, index): EpwHour[] => {
    const line = periods + index + 2
    const [, month, day, hour] = cells.map(Number)
    if (!(month! >= 1 && month! <= 12 && day! >= 1 && day! <= 31 && hour! >= 1 && hour! <= 24)) {
      tell({ code: 'not_a_time', path: `line ${line}`, got: cells.slice(0, 5).join(',') })
      return []
    }
    const read = (name: FieldName) => readField(cells, name, line, tell)
    return [
      {
        month: month!,
        day: day!,
        hour: hour! - 1,
        tempC: read('tempC'),
        rhPct: read('rhPct'),
        sunWM2: read('sunWM2'),
        windMs: read('windMs'),
        rainMm: read('rainMm'),
      },
    ]
  })
  if (!hours.some(({ tempC }) => Number.isFinite(tempC))) return no('no hour has a temperature')
  const [place = ''] = (data[0] ?? []).slice(1)
  return ok({ place, hours, bad, badCount })
}
