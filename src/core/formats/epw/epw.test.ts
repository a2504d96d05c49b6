import { parseEpw } from '@/core/formats/epw/parse'
import { epwLines, hourOfDate, readingsLine } from '@/core/scenario/weatherFile'
import { checkScenario } from '@/core/scenario/checkScenario'
import { problemLine } from '@/core/words/problems'
import { weatherDays as days, weatherLine as hourLine, weatherText as file } from '@/testing/weatherText'

test('reads place and hours: the hour 1 of the format begins at midnight', () => {
  const epw = parseEpw(file(days(2)))
  expect(epw).toMatchObject({ ok: true, value: { place: 'Nowhere Quay', bad: [] } })
  if (!epw.ok) return
  expect(epw.value.hours[25]).toEqual({
    month: 3,
    day: 2,
    hour: 1,
    tempC: 2.5,
    rhPct: 80,
    sunWM2: 120,
    windMs: 3.5,
    rainMm: 0.4,
  })
  const [outdoor, ...others] = epwLines(epw.value, hourOfDate(epw.value, 3, 2), 1)
  expect(outdoor!.points.slice(0, 2)).toEqual([
    { atS: 0, value: 2.4 },
    { atS: 3600, value: 2.5 },
  ])
  expect(others.map(({ drive }) => drive)).toEqual(['outdoorRhPct', 'sunWM2', 'windMs', 'rain'])
})

test('one bad line is a gap of its own and is named; a missing mark is a gap without a word', () => {
  const lines = days(1)
  lines[3] = hourLine(1, 4, { temp: 'warm' })
  lines[5] = hourLine(1, 6, { temp: '99.9' })
  lines[7] = hourLine(1, 8, { rh: '640' })
  lines[9] = 'nonsense'
  const epw = parseEpw(file(lines))
  if (!epw.ok) throw new Error('refused')
  expect(epw.value.hours).toHaveLength(23)
  expect(epw.value.bad.map(problemLine)).toEqual([
    expect.stringMatching(/^line 12: .*“warm”/),
    expect.stringMatching(/^line 16: .*640/),
    expect.stringMatching(/^line 18: .*nonsense/),
  ])
  expect(epwLines(epw.value, 0, 1)[0]!.points).toHaveLength(21)
})

test('bad lines beyond those that are told are still counted', () => {
  const epw = parseEpw(file([...days(1), ...Array.from({ length: 50 }, () => 'nonsense')]))
  expect(epw.ok && [epw.value.bad.length, epw.value.badCount]).toEqual([20, 50])
})

test.each([
  ['date,temp\n2026-01-01,3', /LOCATION/],
  ['LOCATION,x', /DATA PERIODS/],
  [file([]), /no hours/],
  [file([hourLine(1, 1, { temp: '99.9' })]), /no hour has a temperature/],
])('what is no weather file is refused with why', (text, says) => {
  const epw = parseEpw(text)
  expect(epw.ok ? '' : problemLine(epw.problems[0]!)).toMatch(says)
})

test('half a day missing is refused by the scenario, with the hours', () => {
  const lines = days(3)
  lines.splice(30, 12)
  const epw = parseEpw(file(lines))
  if (!epw.ok) throw new Error('refused')
  const [outdoor] = epwLines(epw.value, 0, 3)
  const scenario = {
    schema: 'soft-gale/scenario@1' as const,
    id: 'x',
    name: 'x',
    tries: '',
    days: 3,
    startsOn: '2026-03-01',
    seed: 1,
    lines: [outdoor!],
    events: [],
  }
  expect(checkScenario(scenario).map(problemLine).join()).toMatch(/no outdoor temperature from hour 29 to hour 42/)
})

test('a long readings column is thinned to means', () => {
  const atS = Float64Array.from({ length: 25_000 }, (_, index) => index * 60)
  const line = readingsLine(
    'outdoorC',
    atS,
    Float64Array.from(atS, () => 12),
  )
  expect(line.points.length).toBeLessThanOrEqual(10_000)
  expect(line.points.every(({ value }) => value === 12)).toBe(true)
})
