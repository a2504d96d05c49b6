import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Percent } from '@/core/json/vocabulary'
import { ageProblems, onDay } from '@/core/rules/ageTable'
import { raise } from '@/core/rules/block'
import { common } from '@/core/rules/common'
import { PLAIN, text, type RuleKind } from '@/core/rules/kind'
import { field, listed } from '@/core/rules/sentence'
import { dateOf } from '@/core/rules/yearDay'

const Row = Type.Object(
  {
    day: about('day of growth, 0 the day they came', Type.Integer({ minimum: 0, maximum: 1000 })),
    speedPct: about('least speed on that day, percent', Percent),
  },
  closed,
)
/** Least air that grows with animals or plants: by days since the response's `placedOn`, straight lines between the rows of a table. */
export const ByAge = Type.Object(
  {
    ...common,
    kind: about('least air by days of growth', Type.Literal('by-age')),
    rows: about('the table, days rising', Type.Array(Row, { minItems: 2, maxItems: 24 })),
  },
  closed,
)
export type ByAge = Static<typeof ByAge>

type Why = { readonly kind: 'age'; readonly day: number }

/** Own table, or one built from mass and age by the livestock calculations; common practice, no source. */
export const byAgeKind: RuleKind<ByAge, Why> = {
  ...PLAIN,
  check: ({ rows }, { path, response }) => [
    ...ageProblems(rows, `${path}.rows`),
    ...(response.placedOn === undefined ? [{ code: 'no_placing' as const, path }] : []),
  ],
  compile({ rows }, { dateIndex, response: { placedOn } }) {
    const placed = placedOn === undefined ? NaN : dateOf(placedOn)
    const table = rows.map(({ day, speedPct }) => ({ day, value: speedPct }))
    const pctOn = (date: number): number =>
      Number.isNaN(date - placed) ? NaN : onDay(table, Math.floor(date) - placed)
    return {
      ask(block, _memory, asksPct, rule) {
        const dates = block.inputs[dateIndex]!
        // A day is many rows.
        let [lastDate, pct] = [NaN, NaN]
        for (let row = block.start; row < block.end; row++) {
          const date = dates[row]!
          if (date !== lastDate) {
            lastDate = date
            pct = pctOn(date)
          }
          if (pct > 0) raise(block, row, pct, rule)
        }
        asksPct[rule] = pctOn(dates[block.end - 1]!)
      },
      why: (inputs) =>
        Number.isNaN(inputs[dateIndex]!)
          ? { kind: 'no-date' }
          : { kind: 'age', day: Math.floor(inputs[dateIndex]!) - placed },
      settle() {},
    }
  },
  sentence: ({ rows }, { response }) => [
    text('Not less than '),
    ...listed(
      ', ',
      rows.map(({ day, speedPct }, index) => [
        field(`rows.${index}.speedPct`, `speed on day ${day}`, 'speed', speedPct),
        text(' on day '),
        field(`rows.${index}.day`, `row ${index + 1}, day`, 'count', day),
      ]),
    ),
    text(' of growth'),
    ...(response.placedOn === undefined
      ? []
      : [text(', counted from '), { kind: 'date', value: response.placedOn } as const]),
    text('.'),
  ],
  cause: () => 'time',
  name: () => 'least air by age',
  trigger: 'clock',
  title: 'least air by age',
  trade: () => 'minimum ventilation curve',
  formula:
    'the table on the day of growth, straight lines between its rows; its ends before the first and after the last',
  whyText: ({ day }) => `it is day ${day} of growth`,
  more: ({ rows }) => [
    {
      label: 'Add a day',
      change: (draft) =>
        void draft.rows.push({ day: rows.at(-1)!.day + 7, speedPct: Math.min(100, rows.at(-1)!.speedPct + 5) }),
    },
    ...(rows.length > 2 ? [{ label: 'Take the last day away', change: (draft: ByAge) => void draft.rows.pop() }] : []),
  ],
  offers: [
    {
      sentence: 'Least air that grows with the age of the animals',
      words: 'age day growth minimum ventilation curve batch chicks',
      figure: { quantity: 'speed', typedUnit: '%' },
      make: ({ figure, floorPct, ceilingPct, placedOn }) => {
        placedOn()
        return {
          id: 'by-age',
          kind: 'by-age',
          rows: [
            { day: 0, speedPct: figure ?? floorPct },
            { day: 28, speedPct: Math.min(ceilingPct, Math.round((figure ?? floorPct) + 25)) },
          ],
        }
      },
    },
  ],
  speeds: ({ rows }) => rows.map(({ day, speedPct }) => ({ which: `day ${day}`, pct: speedPct })),
  withSpeeds: (rule, move) => ({
    ...rule,
    rows: rule.rows.map((row) => ({ ...row, speedPct: move(row.speedPct) })),
  }),
}
