import fc from 'fast-check'
import { guessLayout, layoutProblem } from '@/core/formats/readingsCsv/guessLayout'
import type { DateOrder, ReadingColumn, ReadingLayout } from '@/core/formats/readingsCsv/layout'
import { rowReader } from '@/core/formats/readingsCsv/reader'
import { parseLoggerTime } from '@/core/formats/readingsCsv/time'
import { writeReadingsCsv } from '@/core/formats/readingsCsv/write'
import { instantsOf, isZone, wallClock } from '@/core/formats/readingsCsv/zone'
import { problemLine } from '@/core/words/problems'

test.each<{ text: string; iso: string; order?: DateOrder }>([
  { text: '2026-11-09 14:20:00', iso: '2026-11-09T14:20:00.000Z' },
  { text: '2026-11-09T14:20', iso: '2026-11-09T14:20:00.000Z' },
  { text: '2026-11-09T14:20:00+01:00', iso: '2026-11-09T13:20:00.000Z' },
  { text: '9.11.2026 14:20', iso: '2026-11-09T14:20:00.000Z' },
  { text: '9.11.26 14:20', iso: '2026-11-09T14:20:00.000Z' },
  { text: '2026/11/09 02:20 PM', iso: '2026-11-09T14:20:00.000Z' },
  { text: '09/11/2026 14:20', iso: '2026-11-09T14:20:00.000Z', order: 'dmy' },
  { text: '11/09/2026 2:20:05 pm', iso: '2026-11-09T14:20:05.000Z', order: 'mdy' },
  { text: '11/09/2026 12:00 am', iso: '2026-11-09T00:00:00.000Z', order: 'mdy' },
  { text: '1794234000', iso: '2026-11-09T14:20:00.000Z' },
])('$text is $iso', ({ text, iso, order }) =>
  expect(new Date(parseLoggerTime(text, order)!.ms).toISOString()).toBe(iso),
)

test.each([
  '',
  'noon',
  '2026-02-31 10:00',
  '2026-13-01 10:00',
  '11/09/2026 14:20',
  '2026-11-09 25:00',
  '9.11.2026 13:00 pm',
])('“%s” is no time, or one that can be read two ways', (text) => expect(parseLoggerTime(text)).toBeNull())

const guessed = (text: string) => {
  const guess = guessLayout(text)
  if (!guess.ok) throw new Error(guess.problems.map(problemLine).join(' '))
  return guess.value
}

test.each<{ name: string; text: string; layout: Partial<ReadingLayout>; columns: string[]; unsure?: string[] }>([
  {
    name: 'commas',
    text: 'time,temperature (°C),humidity (%RH)\n2026-11-09 10:00,18.2,91\n',
    layout: { delimiter: ',', decimal: '.', dateOrder: 'ymd', skipLines: 0 },
    columns: ['temperature °C', 'humidity %RH'],
  },
  {
    name: 'semicolons, decimal commas, a mark of byte order',
    text: '\ufeffZeit;Temperatur °C;rH %\n9.11.2026 10:00;18,2;91\n',
    layout: { delimiter: ';', decimal: ',', dateOrder: 'ymd' },
    columns: ['temperature °C', 'humidity %RH'],
  },
  {
    name: 'tabs, Fahrenheit, a date with slashes that can only be month first',
    text: 'Date Time\tTemp °F\n11/30/2026 10:00\t64.8\n',
    layout: { delimiter: '\t', dateOrder: 'mdy' },
    columns: ['temperature °F'],
  },
  {
    name: 'lines of the logger’s own first, date and time apart',
    text: 'Logger 7\nSerial;0815\n\nDatum;Uhrzeit;Temperatur (°C)\n30/11/2026;10:00;18,2\n',
    layout: { delimiter: ';', skipLines: 3, timeIndex: 0, timeOfDayIndex: 1, dateOrder: 'dmy' },
    columns: ['temperature °C'],
  },
  {
    name: 'seconds since 1970; other quantities',
    text: 'timestamp,flow m³/h,fan rpm,CO2 (ppm),speed %\n1794234000,210,900,640,55\n',
    layout: { dateOrder: 'unix' },
    columns: ['flow m³/h', 'rotation rpm', 'concentration ppm', 'speed %'],
  },
  {
    name: 'day and month could be either, and no unit is named: both are said',
    text: 'time,temp\n09/11/2026 10:00,18.2\n',
    layout: { dateOrder: 'dmy' },
    columns: ['temperature °C'],
    unsure: ['date-order', 'unit'],
  },
  {
    name: 'contacts, in words and in figures, and a light sensor in percent',
    text: 'time,door,boost contact,light (%),fan running\n2026-11-09 10:00,open,0,40,on\n2026-11-09 10:01,closed,1,42,off\n',
    layout: { delimiter: ',' },
    columns: ['contact on/off', 'contact on/off', 'light % of sensor', 'contact on/off'],
  },
  {
    name: 'a light switch is a contact, a light level in lux is none',
    text: 'time,light switch,light (lx),temperature (°C)\n2026-11-09 10:00,on,120,0\n2026-11-09 10:01,off,90,1\n',
    layout: { delimiter: ',' },
    columns: ['contact on/off', 'light lx', 'temperature °C'],
  },
])('a file of $name', ({ text, layout, columns, unsure = [] }) => {
  const guess = guessed(text)
  expect(guess.layout).toMatchObject(layout)
  expect(guess.layout.columns.map(({ quantity, unit }) => `${quantity} ${unit}`)).toEqual(columns)
  expect(guess.unsure).toEqual(unsure)
})

test.each([
  {
    text: 'when;reading\n',
    wording:
      'line 1: No column is headed “time”. The headings found: when, reading. Name the time column “time” and import again.',
  },
  { text: '  \n', wording: 'The file is empty.' },
  {
    text: 'time;colour\n2026-11-09 10:00;red\n',
    wording: /line 1: No column is headed “temperature”, or anything else/,
  },
])('$text', ({ text, wording }) => {
  const guess = guessLayout(text)
  expect(guess.ok ? '' : guess.problems.map(problemLine).join(' ')).toMatch(wording)
})

test('a layout that contradicts itself is said', () => {
  const { layout } = guessed('time,temp °C\n2026-11-09 10:00,18\n')
  expect(layoutProblem(layout)).toBeNull()
  const [column] = layout.columns
  const problemOf = (part: Partial<ReadingColumn>) =>
    problemLine(layoutProblem({ ...layout, columns: [{ ...column!, ...part }] })!)
  expect(problemOf({ unit: 'bar' })).toMatch(/no unit of temperature/)
  expect(problemOf({ index: 0 })).toMatch(/the time and a reading at once/)
})

function readAll(lines: readonly string[], head = 'time;temp °C', change: Partial<ReadingLayout> = {}): string[] {
  const read = rowReader({ ...guessed(`${head}\n2026-11-09 10:00;18\n`).layout, decimal: null, ...change })
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

describe('zones', () => {
  const at = (iso: string) => Date.parse(iso)
  test.each([
    { zone: 'as-written', wall: '2026-07-01T12:00:00Z', instants: ['2026-07-01T12:00:00.000Z'] },
    { zone: 'Europe/London', wall: '2026-07-01T12:00:00Z', instants: ['2026-07-01T11:00:00.000Z'] },
    { zone: 'Europe/London', wall: '2026-12-01T12:00:00Z', instants: ['2026-12-01T12:00:00.000Z'] },
    // Daylight saving by the IANA data that Node ships with: forward on 29 March, back on 25 October 2026.
    { zone: 'Europe/London', wall: '2026-03-29T01:30:00Z', instants: [] },
    {
      zone: 'Europe/London',
      wall: '2026-10-25T01:30:00Z',
      instants: ['2026-10-25T00:30:00.000Z', '2026-10-25T01:30:00.000Z'],
    },
    { zone: 'Asia/Kathmandu', wall: '2026-07-01T12:00:00Z', instants: ['2026-07-01T06:15:00.000Z'] },
  ])('$wall on a wall in $zone', ({ zone, wall, instants }) =>
    expect(instantsOf(zone)(at(wall)).map((ms) => new Date(ms).toISOString())).toEqual(instants),
  )

  test('there and back, whatever the zone and the instant', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('Europe/London', 'America/St_Johns', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'UTC'),
        fc.integer({ min: Date.UTC(2015, 0), max: Date.UTC(2035, 0) }),
        (zone, atMs) => {
          const whole = Math.floor(atMs / 1000) * 1000
          expect(instantsOf(zone)(wallClock(zone)(whole))).toContain(whole)
        },
      ),
      { seed: 71 },
    )
  })

  test('the hour that comes twice is read as two, the one that is left out is refused', () => {
    const read = rowReader({ ...guessed('time;temp °C\n2026-11-09 10:00;18\n').layout, zone: 'Europe/London' })
    const times = ['01:00', '01:30', '01:00', '01:30', '02:00'].map((time, index) => {
      const outcome = read([`2026-10-25 ${time}`, '18'], index + 2)
      return outcome.ok ? new Date(outcome.row.atMs).toISOString().slice(11, 16) : problemLine(outcome.problem)
    })
    expect(times).toEqual(['00:00', '00:30', '01:00', '01:30', '02:00'])
    const gap = rowReader({ ...guessed('time;temp °C\n2026-11-09 10:00;18\n').layout, zone: 'Europe/London' })(
      ['2026-03-29 01:30', '18'],
      2,
    )
    expect(gap.ok ? '' : problemLine(gap.problem)).toMatch(/did not exist in Europe\/London/)
  })
  test('a zone nobody knows', () => expect([isZone('Europe/London'), isZone('Nowhere/Here')]).toEqual([true, false]))
})

test.each(['as-written', 'Europe/London'])('what is written out can be read in again (%s)', (zone) => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: Date.UTC(2026, 0) / 1000, max: Date.UTC(2027, 0) / 1000 }), {
        minLength: 1,
        maxLength: 30,
      }),
      fc.double({ min: -20, max: 60, noNaN: true }),
      (seconds, value) => {
        const rows = seconds.sort((a, b) => a - b).map((second) => ({ atMs: second * 1000, values: [value, 55] }))
        const { header, rows: write } = writeReadingsCsv(
          [
            { name: 'attic °F', quantity: 'temperature' },
            { name: 'humidity (%RH)', quantity: 'humidity' },
          ],
          zone,
        )
        const text = header + write(rows)
        const { layout } = guessed(text)
        const read = rowReader(layout)
        const back = text
          .trim()
          .split('\n')
          .slice(1)
          .map((line, index) => read(line.split(','), index + 2))
        expect(back.map((outcome) => (outcome.ok ? outcome.row : problemLine(outcome.problem)))).toEqual(
          rows.map(({ atMs, values }) => ({ atMs, values: values.map((read) => Number(read.toPrecision(12))) })),
        )
      },
    ),
    { seed: 72, numRuns: 60 },
  )
})

describe('a column of a contact', () => {
  const layout: ReadingLayout = {
    delimiter: ',',
    decimal: '.',
    dateOrder: 'ymd',
    zone: 'as-written',
    skipLines: 0,
    timeIndex: 0,
    columns: [{ index: 1, name: 'door', quantity: 'contact', unit: 'on/off' }],
  }
  test.each([
    ['on', 1],
    ['OFF', 0],
    ['open', 1],
    ['Closed', 0],
    ['true', 1],
    ['no', 0],
    ['1', 1],
    ['0', 0],
  ])('%s is %d', (cell, state) =>
    expect(rowReader(layout)(['2026-11-09 10:00', cell], 2)).toMatchObject({ ok: true, row: { values: [state] } }),
  )
  test.each(['maybe', '2', '0.5'])('“%s” is refused with its line', (cell) => {
    const outcome = rowReader(layout)(['2026-11-09 10:00', cell], 7)
    expect(outcome.ok ? '' : problemLine(outcome.problem)).toMatch(/^line 7: .* is no state of a contact/)
  })
  test('it is written as words, and read back', () => {
    const { header, rows } = writeReadingsCsv(layout.columns, 'as-written')
    expect(header + rows([{ atMs: Date.UTC(2026, 10, 9), values: [1] }])).toBe(
      'time,contact (on/off)\n2026-11-09 00:00:00,on\n',
    )
    expect(guessed('time,contact (on/off)\n2026-11-09 00:00:00,on\n').layout.columns[0]).toMatchObject({
      quantity: 'contact',
    })
  })
})
