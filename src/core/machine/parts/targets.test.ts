import { checkResponse } from '@/core/machine/check'
import type { Response } from '@/core/response/schema'
import { moveTarget } from '@/core/response/moveTarget'
import type { Target } from '@/core/response/target'
import { dateOf } from '@/core/rules/yearDay'
import { machineFor, measured, plainRamp, responseTo, settledPct } from '@/testing/examples'

const HOUR = 3600
const home: Target = { id: 'home', name: 'home', kind: 'temperature', at: 20 }
const seasons = [
  { id: 'warm', name: 'warm season', from: '05-01', to: '09-30' },
  { id: 'cool', name: 'cool season', from: '10-01', to: '04-30' },
]
const tied = (target: Partial<Target>, changes: Partial<Response> = {}): Response =>
  responseTo([plainRamp({ startAt: 20, fullAt: 30, fromPct: 20, toPct: 100, target: 'home' })], {
    targets: [{ ...home, ...target }],
    ...changes,
  })
const nights = { dayByWeek: [{ days: [0, 1, 2, 3, 4, 5, 6], startMin: 6 * 60, endMin: 22 * 60 }] }
const night: Target['changes'] = [{ mode: 'night', at: 16 }]

test.each([
  { name: 'at its own value', response: tied({}), temp: 25, pct: 60 },
  { name: 'by day', response: tied({ changes: night }, nights), temp: 25, clock: 12 * HOUR, pct: 60 },
  {
    name: 'by night all points move by as much',
    response: tied({ changes: night }, nights),
    temp: 21,
    clock: 3 * HOUR,
    pct: 60,
  },
  { name: 'before the moved start', response: tied({ changes: night }, nights), temp: 15.9, clock: 3 * HOUR, pct: 0 },
  {
    name: 'at some hours',
    response: tied({ changes: [{ spans: nights.dayByWeek, at: 18 }] }),
    temp: 23,
    clock: 7 * HOUR,
    pct: 60,
  },
  {
    name: 'without a clock its own',
    response: tied({ changes: [{ spans: nights.dayByWeek, at: 18 }] }),
    temp: 25,
    pct: 60,
  },
  {
    name: 'in its season',
    response: tied({ changes: [{ season: 'cool', at: 22 }] }, { seasons }),
    temp: 27,
    date: '2026-10-01',
    pct: 60,
  },
  {
    name: 'its last day counts',
    response: tied({ changes: [{ season: 'cool', at: 22 }] }, { seasons }),
    temp: 27,
    date: '2027-04-30',
    pct: 60,
  },
  {
    name: 'not the day after',
    response: tied({ changes: [{ season: 'cool', at: 22 }] }, { seasons }),
    temp: 25,
    date: '2027-05-01',
    pct: 60,
  },
  {
    name: 'without a date no season',
    response: tied({ changes: [{ season: 'cool', at: 22 }] }, { seasons }),
    temp: 25,
    pct: 60,
  },
  {
    name: 'put by hand the date does not count',
    response: tied({ changes: [{ season: 'cool', at: 22 }] }, { seasons, seasonNow: 'cool' }),
    temp: 27,
    date: '2026-07-01',
    pct: 60,
  },
  {
    name: 'of several the first that stands',
    response: tied(
      {
        changes: [
          { season: 'cool', mode: 'night', at: 15 },
          { season: 'cool', at: 22 },
        ],
      },
      { seasons, ...nights },
    ),
    temp: 20,
    clock: 3 * HOUR,
    date: '2026-12-01',
    pct: 60,
  },
  {
    name: 'by age, a straight line between its days',
    response: tied(
      {
        byAge: [
          { day: 0, at: 30 },
          { day: 20, at: 20 },
        ],
      },
      { placedOn: '2026-03-01' },
    ),
    temp: 30,
    date: '2026-03-11',
    pct: 60,
  },
  {
    name: 'after the table its last row',
    response: tied(
      {
        byAge: [
          { day: 0, at: 30 },
          { day: 20, at: 20 },
        ],
      },
      { placedOn: '2026-03-01' },
    ),
    temp: 25,
    date: '2026-09-01',
    pct: 60,
  },
])('what is tied to a target of 20: $name', ({ response, temp, clock, date, pct }) =>
  expect(
    settledPct(machineFor(response), {
      temp,
      ...(clock === undefined ? {} : { clock }),
      ...(date === undefined ? {} : { date: dateOf(date) }),
    }),
  ).toBeCloseTo(pct, 9),
)

test('a target that moves with another keeps its distance, at each of its own values too', () => {
  const response = responseTo([plainRamp({ startAt: 24, fullAt: 34, fromPct: 20, toPct: 100, target: 'cooling' })], {
    targets: [
      { ...home, changes: night },
      { id: 'cooling', name: 'cooling', kind: 'temperature', at: 24, follows: 'home' },
    ],
    ...nights,
  })
  expect(settledPct(machineFor(response), { temp: 25, clock: 3 * HOUR })).toBeCloseTo(60, 9)
})

// The trade notes: a bypass opens at target + 3 (21 → 24), and is barred with the air outside 8 below it (13).
const bypass = (target: number): Response => {
  const response = responseTo([], {
    inputs: [measured('temp', 'temperature'), { ...measured('out', 'temperature'), from: -20 }],
    targets: [{ ...home, at: 21 }],
    otherOutputs: [
      {
        id: 'bypass',
        kind: 'bypass',
        name: 'bypass',
        onWhen: [{ kind: 'input', input: 'temp', when: 'at-or-above', at: 24, release: 1, target: 'home' }],
        notWhile: [{ kind: 'input', input: 'out', when: 'below', at: 13, release: 0, target: 'home' }],
        delayS: 0,
      },
    ],
  })
  const draft = structuredClone(response)
  moveTarget(draft, 'home', target)
  return draft
}

test.each([
  { target: 21, temp: 24, out: 13, isOn: true },
  { target: 21, temp: 23.9, out: 13, isOn: false },
  { target: 21, temp: 24, out: 12.9, isOn: false },
  { target: 19, temp: 22, out: 11, isOn: true },
  { target: 19, temp: 22, out: 10.9, isOn: false },
])('target $target °C: bypass at $temp with $out outside is on: $isOn', ({ target, temp, out, isOn }) => {
  const machine = machineFor(bypass(target))
  const state = machine.settledState(machine.inputsFrom({ temp, out }))
  expect(machine.otherOutputs[0]!.isOn(state.memory)).toBe(isOn)
})

test('moving a target takes with it what it has for a time, what follows it, and nothing else', () => {
  const draft = structuredClone(
    responseTo(
      [plainRamp({ startAt: 20, fullAt: 30, target: 'home' }), plainRamp({ id: 'free', startAt: 20, fullAt: 30 })],
      {
        targets: [
          { ...home, changes: night },
          { id: 'cooling', name: 'cooling', kind: 'temperature', at: 24, follows: 'home' },
        ],
        ...nights,
      },
    ),
  )
  moveTarget(draft, 'home', 21.5)
  expect(draft.targets).toMatchObject([{ at: 21.5, changes: [{ at: 17.5 }] }, { at: 25.5 }])
  expect(draft.rules).toMatchObject([
    { startAt: 21.5, fullAt: 31.5 },
    { startAt: 20, fullAt: 30 },
  ])
})

test('a gear and a fan that join by a reading move with their target, and are checked', () => {
  const above = (target: string) =>
    ({ kind: 'input', input: 'temp', when: 'above', at: 26, release: 1, target }) as const
  const geared = (target: string): Response =>
    tied(
      {},
      {
        stepUps: [{ by: 1, onlyWhile: [above(target)] }],
        stages: { fixed: [{ fan: 'two', joinsAtPct: 50, joinsWhile: above(target) }], offBelowPct: 5, minStageS: 60 },
      },
    )
  const draft = geared('home')
  moveTarget(draft, 'home', 21)
  expect(draft.stepUps?.[0]?.onlyWhile).toMatchObject([{ at: 27 }])
  expect(draft.stages?.fixed[0]?.joinsWhile).toMatchObject({ at: 27 })
  const strays = checkResponse(geared('gone')).filter(({ code }) => code === 'unknown_id')
  expect(strays.map(({ path }) => path)).toEqual(
    expect.arrayContaining(['stepUps.0.onlyWhile.0.target', 'stages.fixed.0.joinsWhile.target']),
  )
})

const problemsOf = (response: Response) => checkResponse(response).map(({ code, path }) => `${path}: ${code}`)

test.each<{ name: string; response: Response; problems: string[] }>([
  {
    name: 'targets in a ring',
    response: responseTo([], {
      targets: [
        { ...home, follows: 'other' },
        { ...home, id: 'other', follows: 'home' },
      ],
    }),
    problems: ['targets.0.follows: target_ring', 'targets.1.follows: target_ring'],
  },
  {
    name: 'a tie to a target of another kind',
    response: tied({ kind: 'humidity' }),
    problems: ['rules.0.target: wrong_kind'],
  },
  { name: 'a tie to nothing', response: tied({ id: 'elsewhere' }), problems: ['rules.0.target: unknown_id'] },
  {
    name: 'another value that no time brings',
    response: tied({ changes: [{ at: 18 }] }),
    problems: ['targets.0.changes.0: change_without_time'],
  },
  {
    name: 'ages that go back',
    response: tied(
      {
        byAge: [
          { day: 7, at: 30 },
          { day: 3, at: 28 },
        ],
      },
      { placedOn: '2026-03-01' },
    ),
    problems: ['targets.0.byAge.1.day: age_goes_back'],
  },
  {
    name: 'ages counted from no day',
    response: tied({
      byAge: [
        { day: 0, at: 30 },
        { day: 3, at: 28 },
      ],
    }),
    problems: ['targets.0.byAge: no_placing'],
  },
  {
    name: 'points moved by the week and by a target',
    response: responseTo([plainRamp({ target: 'home', setPoints: [{ ...nights.dayByWeek[0]!, at: 18 }] })], {
      targets: [home],
    }),
    problems: ['rules.0.setPoints: moved_twice'],
  },
  {
    name: 'seasons that overlap',
    response: responseTo([], { seasons: [seasons[0]!, { ...seasons[1]!, from: '09-15' }] }),
    problems: ['seasons.1.from: seasons_overlap'],
  },
  {
    name: 'seasons that leave a gap',
    response: responseTo([], { seasons: [seasons[0]!, { ...seasons[1]!, to: '04-15' }] }),
    problems: ['seasons: seasons_gap'],
  },
  {
    name: 'a day that no year has',
    response: responseTo([], { seasons: [seasons[0]!, { ...seasons[1]!, from: '02-30' }] }),
    problems: ['seasons.1.from: no_such_day'],
  },
])('refused: $name', ({ response, problems }) => expect(problemsOf(response)).toEqual(problems))

test('a year may be divided on a leap day', () =>
  expect(
    problemsOf(
      responseTo([], {
        seasons: [
          { id: 'a', name: 'a', from: '02-29', to: '06-30' },
          { id: 'b', name: 'b', from: '07-01', to: '02-28' },
        ],
      }),
    ),
  ).toEqual([]))
