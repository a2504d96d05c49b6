import Papa from 'papaparse'
import {
  AS_WRITTEN,
  columnUnit,
  DELIMITERS,
  READING_QUANTITIES,
  type DateOrder,
  type ReadingColumn,
  type ReadingLayout,
  type ReadingQuantity,
} from '@/core/formats/readingsCsv/layout'
import { contactState } from '@/core/formats/readingsCsv/reader'
import { fail, ok, type Outcome, type Problem } from '@/core/json/problem'
import { quantitySpec } from '@/core/quantity/units'

export type LayoutGuess = {
  readonly layout: ReadingLayout
  readonly header: readonly string[]
  /** The first lines under the headings, as cells. */
  readonly sample: readonly (readonly string[])[]
  /** What could be read two ways and should be looked at. */
  readonly unsure: readonly ('date-order' | 'unit')[]
}

const TIME = /^(time|date|timestamp|date ?time|zeit|datum)\b/i
const TIME_OF_DAY = /^(time|zeit|uhrzeit)\b/i
const DATE = /^(date|datum)\b/i
/** Headings by the words people use; the first that fits counts. */
const HEADINGS: readonly (readonly [RegExp, ReadingQuantity])[] = [
  [/light level|brightness|lux|\blx\b|light sensor/i, 'light'],
  [/humid|%rh|\brh\b|feuchte/i, 'humidity'],
  [/co2|co₂|ppm/i, 'concentration'],
  [/temp|°c|°f|\bdeg ?[cf]\b/i, 'temperature'],
  [/velocity|air ?speed|m\/s\b|ft\/min|fpm/i, 'airSpeed'],
  [/flow|l\/s|m³\/h|m3\/h|cfm/i, 'flow'],
  [/pressure|\bpa\b|in ?wg/i, 'pressure'],
  [/rpm|rotation|tach/i, 'rotation'],
  [/sound|noise|\bdb/i, 'sound'],
  [/power|\bw\b|watt/i, 'power'],
  [/current|\bamp|\ba\b/i, 'current'],
  [/^light\b(?!.*switch)/i, 'light'],
  [/volt|\bv\b/i, 'volts'],
  [/speed|fan|duty|%/i, 'speed'],
]

const words = (text: string) => text.toLowerCase().replace(/[()[\]_,]/g, ' ')

/** The unit a heading names, longest symbol first; null where it names none. */
function unitIn(name: string, quantity: ReadingQuantity): string | null {
  const spaced = ` ${words(name)} `
  const units = [...quantitySpec(quantity).units].flatMap(({ symbol, names }) =>
    [symbol.toLowerCase(), ...names].map((word) => ({ symbol, word })),
  )
  return (
    units.sort((a, b) => b.word.length - a.word.length).find(({ word }) => spaced.includes(` ${word} `))?.symbol ?? null
  )
}

const CONTACT = /contact|switch|door|on ?\/ ?off|0 ?\/ ?1|boost|button|relay|defrost|isolat|\bstate\b/i

/** Words of a contact throughout, or 0 and 1 under a heading that speaks of one. */
function isContact(name: string, cells: readonly string[]): boolean {
  const filled = cells.filter((cell) => cell.trim() !== '')
  const areStates = filled.length > 0 && filled.every((cell) => contactState(cell) !== null)
  return areStates && (CONTACT.test(name) || filled.some((cell) => /[a-z]/i.test(cell)))
}

/** What a column holds, by its heading and its first cells; null where neither says anything. */
function columnOf(
  name: string,
  index: number,
  cells: readonly string[],
): { column: ReadingColumn; isUnitNamed: boolean } | null {
  const quantity = isContact(name, cells) ? 'contact' : HEADINGS.find(([pattern]) => pattern.test(name))?.[1]
  if (!quantity) return null
  const unit = unitIn(name, quantity)
  return {
    column: { index, name, quantity, unit: unit ?? quantitySpec(quantity).units[0].symbol },
    isUnitNamed: unit !== null || quantity === 'contact',
  }
}

/** The order of day and month in dates with slashes; null where both would do. */
function dateOrder(texts: readonly string[]): DateOrder | null {
  if (texts.length > 0 && texts.every((text) => /^\s*\d{10}(\d{3})?\s*$/.test(text))) return 'unix'
  const slashed = texts.flatMap((text) => {
    const match = /^\s*(\d{1,2})[/-](\d{1,2})[/-]\d/.exec(text)
    return match ? [[Number(match[1]), Number(match[2])] as const] : []
  })
  if (slashed.length === 0) return 'ymd'
  if (slashed.some(([first]) => first > 12)) return 'dmy'
  if (slashed.some(([, second]) => second > 12)) return 'mdy'
  return null
}

/** How a readings file seems to be laid out, from its first lines. Said with what could be read two ways, so that a person confirms it.
 *  @param text the beginning of the file; its last line may be cut */
export function guessLayout(text: string): Outcome<LayoutGuess> {
  const lines = text.replace(/^\ufeff/, '').split(/\r?\n/)
  if (!lines.some((line) => line.trim() !== '')) return fail({ code: 'empty_file', path: '' })
  // Loggers put their name and serial number first: the headings are the first line with a time and another column.
  const cellsOf = (line: string, delimiter: string) => Papa.parse<string[]>(line, { delimiter }).data[0] ?? []
  const candidates = DELIMITERS.flatMap((delimiter) =>
    lines.slice(0, 60).flatMap((line, skipLines) => {
      const header = cellsOf(line, delimiter).map((cell) => cell.trim())
      return header.length >= 2 && header.some((name) => TIME.test(name)) ? [{ delimiter, skipLines, header }] : []
    }),
  )
  const found = candidates.sort((a, b) => a.skipLines - b.skipLines || b.header.length - a.header.length)[0]
  const seen = (lines.find((line) => line.trim() !== '') ?? '').slice(0, 80)
  if (!found)
    return fail({
      code: 'no_time_column',
      path: 'line 1',
      headings: seen.split(/[,;\t]/),
    })
  const { delimiter, skipLines, header } = found
  const sample = Papa.parse<string[]>(lines.slice(skipLines + 1, skipLines + 201).join('\n'), {
    delimiter,
    skipEmptyLines: true,
  }).data
  const dateIndex = header.findIndex((name) => DATE.test(name) && !/time|zeit/i.test(name))
  const timeOfDay = header.findIndex((name, index) => index !== dateIndex && TIME_OF_DAY.test(name))
  const isSplit = dateIndex >= 0 && timeOfDay >= 0
  const timeIndex = isSplit ? dateIndex : header.findIndex((name) => TIME.test(name))
  const guessed = header.flatMap((name, index) =>
    index === timeIndex || (isSplit && index === timeOfDay)
      ? []
      : (columnOf(
          name,
          index,
          sample.map((cells) => cells[index] ?? ''),
        ) ?? []),
  )
  const columns = guessed.map(({ column }) => column)
  if (columns.length === 0)
    return fail({
      code: 'no_value_column',
      path: `line ${skipLines + 1}`,
      known: READING_QUANTITIES,
      headings: header,
    })
  const values = sample.flatMap((cells) => columns.map(({ index }) => cells[index] ?? ''))
  const decimal =
    delimiter === ',' || values.some((cell) => /\d\.\d/.test(cell))
      ? '.'
      : values.some((cell) => /\d,\d/.test(cell))
        ? ','
        : null
  const order = dateOrder(sample.map((cells) => cells[timeIndex] ?? ''))
  return ok({
    layout: {
      delimiter,
      decimal,
      dateOrder: order ?? 'dmy',
      zone: AS_WRITTEN,
      skipLines,
      timeIndex,
      ...(isSplit ? { timeOfDayIndex: timeOfDay } : {}),
      columns,
    },
    header,
    sample: sample.slice(0, 5),
    unsure: [
      ...(order === null ? (['date-order'] as const) : []),
      ...(guessed.some(({ isUnitNamed, column }) => !isUnitNamed && quantitySpec(column.quantity).units.length > 1)
        ? (['unit'] as const)
        : []),
    ],
  })
}

/** What a layout contradicts itself in, besides its shape. */
export function layoutProblem({ columns, timeIndex, timeOfDayIndex }: ReadingLayout): Problem | null {
  const wrong = columns.find((column) => !columnUnit(column))
  if (wrong)
    return {
      code: 'column_unit',
      path: 'layout',
      column: wrong.name,
      unit: wrong.unit,
      what: quantitySpec(wrong.quantity).label,
    }
  const twice = columns.find(({ index }) => index === timeIndex || index === timeOfDayIndex)
  return twice ? { code: 'column_twice', path: 'layout', column: twice.name } : null
}
