import { METRIC } from '@/core/quantity/format'
import { weekStrips } from '@/core/record/weekStrips'
import type { Rule } from '@/core/rules/table'
import { exampleResponse } from '@/testing/examples'

const strips = (...rules: object[]) => weekStrips({ response: exampleResponse({ rules: rules as Rule[] }) }, METRIC)
const night = { days: [4], startMin: 22 * 60, endMin: 6 * 60, speedPct: 30 }

test('a day a line, a piece for each speed; past midnight it goes on the next day', () => {
  const [week] = strips({ id: 'w', kind: 'week', periods: [night] })
  const on = week!.days.filter(({ pieces }) => pieces.length > 0)
  expect(on).toEqual([
    { day: 'Fri', pieces: [{ fromMin: 1320, toMin: 1440, says: '30 %' }] },
    { day: 'Sat', pieces: [{ fromMin: 0, toMin: 360, says: '30 %' }] },
  ])
})

test('where periods overlap the highest stands, as in the rule', () => {
  const [week] = strips({
    id: 'w',
    kind: 'week',
    periods: [
      { days: [0], startMin: 480, endMin: 1080, speedPct: 40 },
      { days: [0], startMin: 600, endMin: 720, speedPct: 80 },
    ],
  })
  expect(week!.days[0]!.pieces.map(({ fromMin, toMin, says }) => [fromMin, toMin, says])).toEqual([
    [480, 600, '40 %'],
    [600, 720, '80 %'],
    [720, 1080, '40 %'],
  ])
})

test('a rule that is off, or has no hours, has no strips', () => {
  expect(strips({ id: 'w', kind: 'week', periods: [night], off: true })).toEqual([])
  expect(strips({ id: 's', kind: 'switch', input: 'boost', onDelayS: 0, speedPct: 60 })).toEqual([])
})
