import { findColumns } from '@/core/formats/readingsCsv/columns'
import { rowReader } from '@/core/formats/readingsCsv/reader'
import { parseLoggerTime } from '@/core/formats/readingsCsv/time'
import { problemLine } from '@/core/problem'

test.each([
  { text: '2026-11-09 14:20:00', iso: '2026-11-09T14:20:00.000Z' },
  { text: '2026-11-09T14:20', iso: '2026-11-09T14:20:00.000Z' },
  { text: '2026-11-09T14:20:00+01:00', iso: '2026-11-09T13:20:00.000Z' },
  { text: '9.11.2026 14:20', iso: '2026-11-09T14:20:00.000Z' },
  { text: '1794234000', iso: '2026-11-09T14:20:00.000Z' },
])('$text is $iso', ({ text, iso }) => expect(new Date(parseLoggerTime(text)).toISOString()).toBe(iso))

test.each(['', 'noon', '2026-02-31 10:00', '2026-13-01 10:00', '11/09/2026 14:20', '2026-11-09 25:00'])(
  '“%s” is no time, or one that can be read two ways',
  (text) => expect(parseLoggerTime(text)).toBeNaN(),
)

const header = (line: string) => findColumns(line.split(';'))

test.each([
  { line: 'time;temperature (°C);humidity (%RH)', columns: ['temperature C', 'humidity %'] },
  { line: '\ufeffTimestamp;Temp °F', columns: ['temperature F'] },
  { line: 'rH %;Date Time;room_temp', columns: ['humidity %', 'temperature C'] },
])('$line', ({ line, columns }) => {
  const found = header(line)
  expect(found.ok && found.value.columns.map(({ quantity, unit }) => `${quantity} ${unit}`)).toEqual(columns)
})

test('missing columns are named with what was found, and what to do', () => {
  const found = header('when;reading')
  expect(found.ok ? [] : found.problems.map(problemLine)).toEqual([
    'line 1: No column is headed “time”. The headings found: when, reading. Name the time column “time” and import again.',
    'line 1: No column is headed “temperature”. The headings found: when, reading. Name it for example “temperature (°C)” and import again.',
  ])
})

function readAll(lines: readonly string[], head = 'time;temp °C'): string[] {
  const columns = header(head)
  if (!columns.ok) throw new Error('header')
  const read = rowReader(columns.value)
  return lines.map((line, index) => {
    const outcome = read(line.split(';'), index + 2)
    return outcome.ok ? outcome.row.values.join(' ') : problemLine(outcome.problem)
  })
}

test.each([
  { name: 'not a number', lines: ['2026-11-09 10:00;warm'], last: 'line 2: “warm” in temp °C is not a number.' },
  { name: 'nothing', lines: ['2026-11-09 10:00;'], last: 'line 2: temp °C is empty.' },
  { name: 'no time', lines: ['soon;18'], last: 'line 2: “soon” is not a time; write 2026-11-09 14:20:00.' },
  {
    name: 'the same time',
    lines: ['2026-11-09 10:00;18', '2026-11-09 10:00;18'],
    last: 'line 3: the time is the same as on line 2.',
  },
  {
    name: 'time going back',
    lines: ['2026-11-09 10:00;18', '2026-11-09 09:59;18'],
    last: 'line 3: the time goes back, behind line 2.',
  },
  {
    name: 'mixed decimal marks',
    lines: ['2026-11-09 10:00;18,2', '2026-11-09 10:01;18.3'],
    last: 'line 3: temp °C has “.” where earlier lines have “,”; use one decimal mark throughout.',
  },
  {
    name: 'impossible',
    lines: ['2026-11-09 10:00;1812'],
    last: 'line 2: temp °C is 1812, which no such reading can be; check its unit.',
  },
])('$name: the line is named', ({ lines, last }) => expect(readAll(lines).at(-1)).toBe(last))

test('Fahrenheit comes out in °C', () => expect(readAll(['2026-11-09 10:00;68'], 'time;temp °F')).toEqual(['20']))
