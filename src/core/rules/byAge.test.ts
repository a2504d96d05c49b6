import { explain } from '@/core/machine/explain'
import { checkResponse } from '@/core/machine/check'
import type { ByAge } from '@/core/rules/byAge'
import { dateOf, daysOf, placeInYear, placeOfDate, yearDayText } from '@/core/rules/yearDay'
import { ruleSentence } from '@/core/sentences/words'
import { linkText } from '@/core/sentences/words'
import { machineFor, responseTo, settledPct } from '@/testing/examples'

const rule: ByAge = {
  id: 'least',
  kind: 'by-age',
  rows: [
    { day: 2, speedPct: 12 },
    { day: 12, speedPct: 32 },
    { day: 30, speedPct: 50 },
  ],
}
const response = responseTo([rule], { placedOn: '2026-02-20' })
const on = (date: string) => ({ date: dateOf(date) })

test.each([
  { date: '2026-02-01', pct: 12, name: 'before they came' },
  { date: '2026-02-20', pct: 12, name: 'day 0' },
  { date: '2026-02-22', pct: 12, name: 'its first row' },
  { date: '2026-02-27', pct: 22, name: 'half way, on day 7' },
  { date: '2026-03-04', pct: 32, name: 'day 12, over the end of February' },
  { date: '2026-03-13', pct: 41, name: 'half way of the next' },
  { date: '2027-01-01', pct: 50, name: 'long after' },
])('least air by age: $name $pct %', ({ date, pct }) =>
  expect(settledPct(machineFor(response), on(date))).toBeCloseTo(pct, 9),
)

test('without a date it asks for nothing and says so', () => {
  const machine = machineFor(response)
  const inputs = machine.inputsFrom({})
  const link = explain(machine, machine.settledState(inputs), inputs).chain.find(
    (candidate) => candidate.stage === 'ask' && candidate.rule !== null,
  )
  expect(link?.stage === 'ask' ? linkText(response, link) : '').toBe('The date is not known, so it asks for nothing.')
})

test('it is said with the day they came', () =>
  expect(ruleSentence(response, rule)).toBe(
    'Not less than 12 % on day 2, 32 % on day 12, 50 % on day 30 of growth, counted from 20 Feb 2026.',
  ))

test.each([
  { name: 'days that go back', rows: [rule.rows[1]!, rule.rows[0]!], placedOn: '2026-02-20', codes: ['age_goes_back'] },
  { name: 'counted from no day', rows: rule.rows, placedOn: undefined, codes: ['no_placing'] },
])('refused: $name', ({ rows, placedOn, codes }) =>
  expect(
    checkResponse(responseTo([{ ...rule, rows }], placedOn === undefined ? {} : { placedOn })).map(({ code }) => code),
  ).toEqual(codes),
)

test('days of the year are at one place in leap years and others', () => {
  expect(placeOfDate(dateOf('2027-03-01'))).toBe(placeOfDate(dateOf('2028-03-01')))
  expect(placeOfDate(dateOf('2027-03-01'))).toBe(placeInYear('03-01'))
  expect(placeInYear('02-29')).toBe(59)
  expect(placeInYear('04-31')).toBeNull()
  expect(yearDayText('04-15')).toBe('15 Apr')
  expect(daysOf({ id: 'x', name: 'x', from: '12-31', to: '01-01' })).toEqual([365, 0])
})
