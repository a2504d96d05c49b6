import { DUTIES } from '@/core/brief/duty'
import { readScenario } from '@/core/installation/read'
import { builtInScenarios, SPANS } from '@/core/scenario/builtIn'
import { checkScenario, checkScenarioHere } from '@/core/scenario/checkScenario'
import { driveColumns } from '@/core/scenario/driveColumns'
import type { Line, Scenario } from '@/core/scenario/schema'
import { DRIVE, DRIVE_RANGES, DRIVES, type Drive } from '@/core/space/model'
import { problemLine } from '@/core/words/problems'

const still: Scenario = {
  schema: 'soft-gale/scenario@1',
  id: 'still',
  name: 'still',
  tries: 'nothing',
  days: 1,
  startsOn: '2026-07-06',
  seed: 7,
  lines: [],
  events: [],
}
const line = (points: readonly (readonly [atS: number, value: number])[], parts: Partial<Line> = {}): Line => ({
  drive: 'outdoorC',
  how: 'straight',
  daily: false,
  points: points.map(([atS, value]) => ({ atS, value })),
  ...parts,
})
const column = (scenario: Scenario, drive: Drive = 'outdoorC', stepS = 60) =>
  driveColumns(scenario, stepS).columns[DRIVE[drive]]!

describe.each(DUTIES)('%s', (duty) => {
  test.each(SPANS)('every day that is built in holds together for a %s', (_, days) => {
    const made = builtInScenarios({ duty, probe: 'a', fan: 'f' }, days)
    expect(made.length).toBeGreaterThanOrEqual(9)
    expect(new Set(made.map(({ id }) => id)).size).toBe(made.length)
    for (const scenario of made) {
      expect(readScenario(scenario)).toMatchObject({ ok: true })
      expect(checkScenarioHere(scenario, { inputs: ['a'], fans: ['f'] })).toEqual([])
      const { columns } = driveColumns(scenario, days > 7 ? 3600 : 600)
      DRIVES.forEach((drive, index) => {
        const { from, to } = DRIVE_RANGES[drive]
        expect(columns[index]!.every((value) => value >= from && value <= to)).toBe(true)
      })
    }
  })
})

test.each([
  {
    name: 'straight between points',
    points: [
      [0, 10],
      [7200, 20],
    ] as const,
    how: 'straight' as const,
    at: [0, 3600, 7200, 39960],
    is: [10, 15, 20, 20],
  },
  {
    name: 'held until the next',
    points: [
      [0, 10],
      [7200, 20],
    ] as const,
    how: 'steps' as const,
    at: [0, 7140, 7200, 39960],
    is: [10, 10, 20, 20],
  },
  {
    name: 'the first stands before itself',
    points: [
      [3600, 10],
      [7200, 20],
    ] as const,
    how: 'straight' as const,
    at: [0, 1800, 3600],
    is: [10, 10, 10],
  },
])('a line is $name', ({ points, how, at, is }) => {
  const values = column({ ...still, lines: [line(points, { how })] })
  expect(at.map((atS) => values[atS / 60])).toEqual(is)
})

test('a daily line goes round midnight, and each day is moved by its shift from noon to noon', () => {
  const day = line(
    [
      [6 * 3600, 10],
      [18 * 3600, 20],
    ],
    { daily: true },
  )
  const plain = column({ ...still, days: 2, lines: [day] })
  expect(plain[0]).toBeCloseTo(15, 9)
  expect(plain[24 * 60]).toBeCloseTo(15, 9)
  const moved = column({ ...still, days: 3, lines: [{ ...day, dayShift: [0, 4, 0] }] })
  expect(moved[12 * 60]! - plain[12 * 60]!).toBeCloseTo(0, 9)
  expect(moved[36 * 60]! - plain[36 * 60]!).toBeCloseTo(4, 9)
  expect(moved[24 * 60]! - plain[24 * 60]!).toBeCloseTo(2, 9)
})

test('the same seed gives the same day whatever the step; another seed another', () => {
  const wandering: Scenario = { ...still, lines: [line([[0, 10]], { wander: { by: 2, overS: 3600 } })] }
  const [fine, coarse] = [column(wandering, 'outdoorC', 10), column(wandering, 'outdoorC', 60)]
  expect(coarse.every((value, step) => Math.abs(value - fine[step * 6]!) < 1e-9)).toBe(true)
  expect(column({ ...wandering, seed: 8 })[500]).not.toBe(coarse[500])
  const mean = coarse.reduce((sum, x) => sum + (x - 10) ** 2, 0) / coarse.length
  expect(Math.sqrt(mean)).toBeGreaterThan(1)
  expect(Math.sqrt(mean)).toBeLessThan(3.2)
})

test('openings come as often as the profile says, and stand open as long', () => {
  const busy: Scenario = { ...still, days: 14, traffic: { perHour: new Array<number>(24).fill(6), openS: 30 } }
  const open = column(busy, 'doorOpen', 10)
  const share = open.reduce((sum, x) => sum + x, 0) / open.length
  // 6 an hour for 30 s, less the time in which it stands open already: 1/(1/rate + open).
  expect(share / (30 / (600 + 30))).toBeGreaterThan(0.9)
  expect(share / (30 / (600 + 30))).toBeLessThan(1.1)
})

test('a power cut takes the supply away for as long as it lasts', () => {
  const supply = column({ ...still, events: [{ kind: 'power-cut', atS: 3600, lengthS: 1800 }] }, 'supplyPct')
  expect([supply[59], supply[60], supply[89], supply[90]]).toEqual([100, 0, 0, 100])
})

// Bad input: a sentence with the place.
const measured = (from: number, to: number) =>
  Array.from({ length: 60 }, (_, index) => [from + (index * (to - from)) / 59, 5] as const)
test.each([
  {
    wrong: 'points that go back',
    scenario: {
      ...still,
      lines: [
        line([
          [3600, 1],
          [0, 2],
        ]),
      ],
    },
    says: /lines\.0\.points\.1\.atS: .*time/,
  },
  {
    wrong: 'a value nobody has',
    scenario: { ...still, lines: [line([[0, 90]])] },
    says: /outdoor temperature is 90 °C/,
  },
  {
    wrong: 'an event after the end',
    scenario: { ...still, events: [{ kind: 'power-cut' as const, atS: 90000, lengthS: 60 }] },
    says: /events\.0\.atS: .*hour 25, after the end at hour 24/,
  },
  {
    wrong: 'weather that stops',
    scenario: { ...still, lines: [line(measured(0, 40000))] },
    says: /no outdoor temperature from hour 11\.1 to hour 24/,
  },
  {
    wrong: 'a hole in the weather',
    scenario: { ...still, days: 2, lines: [line([...measured(0, 30000), ...measured(90000, 172000)])] },
    says: /from hour 8\.3 to hour 25/,
  },
  {
    wrong: 'two lines of one drive',
    scenario: { ...still, lines: [line([[0, 1]]), line([[0, 2]])] },
    says: /lines.*outdoorC/,
  },
])('$wrong is refused with its place', ({ scenario, says }) => {
  expect(checkScenario(scenario).map(problemLine).join('\n')).toMatch(says)
})

test('what it names and is not there is named', () => {
  const scenario: Scenario = { ...still, events: [{ kind: 'probe', input: 'x', fault: 'open', atS: 0, lengthS: 60 }] }
  expect(checkScenarioHere(scenario, { inputs: ['room'], fans: [] }).map(problemLine)).toEqual([
    expect.stringMatching(/events\.0\.input: There is no input “x”; known: room/),
  ])
})
