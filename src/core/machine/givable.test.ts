import { compile } from '@/core/machine/compile'
import { givableAbove, givableBelow, givenFor, leadBounds } from '@/core/machine/givable'
import type { Response } from '@/core/response/schema'
import { problemText } from '@/core/words/problems'
import { exampleResponse, fansOver, machineFor, plainRamp, responseTo, speedsOver } from '@/testing/examples'

type Case = {
  readonly floor?: number
  readonly ceiling?: number
  readonly step?: number
  readonly levels?: number[]
  readonly rounding?: 'up' | 'down' | 'nearest'
  readonly bands?: (readonly [number, number])[]
}
const boundsOf = ({ floor = 0, ceiling = 100, step = 0, levels, rounding = 'nearest', bands = [] }: Case) =>
  leadBounds({
    floor: { speedPct: floor, reasons: [] },
    ceiling: { speedPct: ceiling, how: 'clip' },
    steps: { stepPct: step, rounding, ...(levels ? { levelsPct: levels } : {}) },
    skipBands: bands.map(([fromPct, toPct]) => ({ fromPct, toPct })),
  })

// One row a collision of docs/control-laws.md.
test.each([
  { collision: 'band, from below', bands: [[43, 48]], wanted: 45, from: 30, given: 48 },
  { collision: 'band, from above', bands: [[43, 48]], wanted: 45, from: 60, given: 43 },
  { collision: 'band, at its edge', bands: [[43, 48]], wanted: 43, from: 30, given: 43 },
  { collision: 'band over the ceiling', bands: [[43, 60]], ceiling: 50, wanted: 45, from: 30, given: 43 },
  { collision: 'band under the floor', bands: [[20, 48]], floor: 30, wanted: 35, from: 60, given: 48 },
  { collision: 'band and steps, from below', bands: [[43, 48]], step: 5, wanted: 45, from: 30, given: 50 },
  { collision: 'band and steps, from above', bands: [[43, 48]], step: 5, wanted: 45, from: 60, given: 40 },
  {
    collision: 'band takes the only step above',
    bands: [[88, 99]],
    step: 12.5,
    ceiling: 90,
    wanted: 88,
    from: 0,
    given: 87.5,
  },
  { collision: 'band and levels', bands: [[47, 49]], levels: [35, 48, 61], wanted: 48, from: 40, given: 61 },
  {
    collision: 'overlapping bands are one',
    bands: [
      [40, 50],
      [45, 60],
    ],
    wanted: 48,
    from: 30,
    given: 60,
  },
  {
    collision: 'touching bands leave their edge',
    bands: [
      [40, 50],
      [50, 60],
    ],
    wanted: 45,
    from: 30,
    given: 50,
  },
  { collision: 'steps over the ceiling', step: 12.5, rounding: 'up', ceiling: 90, wanted: 90, from: 0, given: 87.5 },
  { collision: 'steps under the floor', step: 5, floor: 22, wanted: 22, from: 0, given: 25 },
  { collision: 'levels under the floor', levels: [35, 48, 61], floor: 40, wanted: 41, from: 0, given: 48 },
  {
    collision: 'levels over the ceiling',
    levels: [35, 48, 61],
    ceiling: 60,
    rounding: 'up',
    wanted: 58,
    from: 0,
    given: 48,
  },
  { collision: '0 stays 0', step: 5, floor: 22, wanted: 0, from: 50, given: 0 },
] as const)('$collision: $wanted % → $given %', ({ collision: _name, wanted, from, given, ...bounds }) =>
  expect(givenFor(boundsOf(bounds as unknown as Case), wanted, from)).toBeCloseTo(given, 9),
)

test('what is next above and below, or nothing', () => {
  const bounds = boundsOf({ floor: 20, ceiling: 60, step: 5, bands: [[33, 47]] })
  expect([givableAbove(bounds, 31), givableAbove(bounds, 36), givableBelow(bounds, 46)]).toEqual([50, 50, 30])
  expect([givableAbove(bounds, 61), givableBelow(bounds, 19)]).toEqual([NaN, NaN])
})

test.each([
  { name: 'steps', changes: { floor: 40, ceiling: 60, step: 100 / 3 }, wording: /steps of 33.3 %/ },
  { name: 'a band', changes: { floor: 42, ceiling: 60, bands: [[40, 70]] }, wording: /a skip band from 40 to 70 %/ },
  { name: 'levels', changes: { floor: 90, ceiling: 95, levels: [35, 48, 100] }, wording: /levels of 35, 48, 100 %/ },
] as const)(
  'where $name leave nothing between floor and ceiling it is refused, with the reason',
  ({ changes, wording }) => {
    const { steps, bands, lowPct, highPct } = boundsOf(changes as unknown as Case)
    const outcome = compile(
      exampleResponse({
        floor: { speedPct: lowPct, reasons: [] },
        ceiling: { speedPct: highPct, how: 'clip' },
        steps,
        skipBands: [...bands],
      }),
    )
    expect(outcome).toMatchObject({ ok: false, problems: [{ path: 'floor.speedPct' }] })
    expect(outcome.ok ? '' : outcome.problems.map(problemText).join(' ')).toMatch(wording)
  },
)

test('up through a band and down again: each way it is jumped, and inside it the side is remembered', () =>
  expect(
    speedsOver(
      responseTo([plainRamp()], { skipBands: [{ fromPct: 43, toPct: 48 }] }),
      [40, 43, 44, 46, 44, 48, 47.8, 44, 43, 42].map((temp) => ({ temp })),
      10,
    ),
  ).toEqual([40, 43, 48, 48, 48, 48, 43, 43, 43, 42]))

describe('a rate', () => {
  const slow = (changes: Partial<Response>, asked: readonly number[], up = 10, down = 10) =>
    speedsOver(
      responseTo([plainRamp()], { rate: { upPctPerS: up, downPctPerS: down }, ...changes }),
      asked.map((temp) => ({ temp })),
    )
  test.each([
    {
      name: 'a rise from rest goes to the floor at once',
      changes: { floor: { speedPct: 25, reasons: [], offAllowed: true } },
      asked: [0, 60, 60, 60, 60, 60],
      given: [0, 25, 35, 45, 55, 60],
    },
    {
      name: 'from the floor it goes to rest at once',
      changes: { floor: { speedPct: 25, reasons: [], offAllowed: true } },
      asked: [40, 40, 40, 0, 0, 0],
      given: [25, 35, 40, 30, 0, 0],
    },
    {
      name: 'a band is crossed without stopping',
      changes: { skipBands: [{ fromPct: 33, toPct: 48 }] },
      asked: [20, 20, 60, 60, 60, 60, 20, 20, 20],
      given: [0, 10, 20, 30, 48, 58, 48, 33, 23],
    },
    {
      name: 'on its way it stands on steps it has reached',
      changes: { steps: { stepPct: 25, rounding: 'nearest' as const } },
      asked: [0, 60, 60, 60, 60, 60, 60, 0, 0, 0, 0, 0, 0],
      given: [0, 0, 0, 25, 25, 50, 50, 50, 50, 25, 25, 0, 0],
    },
  ])('$name', ({ changes, asked, given }) => {
    const speeds = slow(changes, asked)
    if (given.length === asked.length && changes.skipBands) expect(speeds.slice(0, 6)).toEqual(given.slice(0, 6))
    else expect(speeds).toEqual(given)
    for (const pct of speeds) expect(pct > 33 && pct < 48 && changes.skipBands !== undefined).toBe(false)
  })
})

test('a hold may pass the ceiling for safety, and never gives less than the floor', () => {
  const document = responseTo([plainRamp()], {
    inputs: [
      { id: 'temp', kind: 'temperature', name: 'temp', from: 0, to: 100, lostPct: 100 },
      { id: 'test', kind: 'switch', name: 'test' },
    ],
    floor: { speedPct: 40, reasons: [] },
    ceiling: { speedPct: 85, how: 'clip' },
    overrides: { test: { input: 'test', speedPct: 15 } },
  })
  expect(speedsOver(document, [{ temp: 95 }, {}, { temp: 50, test: 1 }])).toEqual([85, 100, 40])
})

test.each([
  { name: 'clipped', how: 'clip', toPct: 100, at26: 55 },
  { name: 'rescaled', how: 'rescale', toPct: 100, at26: 45 },
  { name: 'rescaled, and at the ceiling already', how: 'rescale', toPct: 80, at26: 45 },
] as const)(
  'a ramp under a ceiling of 80, $name: $at26 % half way (trade practice, no source)',
  ({ how, toPct, at26 }) => {
    const ramp = plainRamp({ startAt: 25, fullAt: 27, fromPct: 10, toPct, below: 'from' })
    const floor = { speedPct: 10, reasons: [] }
    const document = responseTo([ramp], { floor, ceiling: { speedPct: 80, how } })
    expect(speedsOver(document, [{ temp: 26 }, { temp: 27 }])).toEqual([at26, 80])
  },
)

test('followers stand on steps too, at or over their own floor', () =>
  expect(
    fansOver(
      responseTo([plainRamp()], {
        steps: { stepPct: 10, rounding: 'nearest' },
        followers: [{ fan: 'second', ratio: 0.5, floorPct: 22, atLeadFloor: 'follow' }],
      }),
      [{ temp: 20 }, { temp: 90 }],
    ),
  ).toEqual([
    [20, 30],
    [90, 50],
  ]))

describe('outputs and rules agree at equality, whatever the last binary digit', () => {
  // 20.6 + 0.8 is 21.400000000000002 in binary.
  const document = (at: number, release: number): Response =>
    responseTo(
      [
        {
          id: 'on',
          kind: 'differential',
          input: 'temp',
          action: 'direct',
          onAt: at,
          offAt: at - release,
          speedPct: 50,
          minOnS: 0,
          minOffS: 0,
        },
      ],
      {
        otherOutputs: [
          {
            id: 'out',
            kind: 'shutter',
            name: 'shutter',
            onWhen: [{ kind: 'input', input: 'temp', when: 'at-or-above', at, release }],
            notWhile: [],
            delayS: 0,
          },
        ],
      },
    )
  test.each([
    { at: 20.6 + 0.8, release: 0.8 },
    { at: 21.4, release: 0.8 },
    { at: 0.1 + 0.2, release: 0.1 },
  ])('on at $at, back by $release', ({ at, release }) => {
    const machine = machineFor(document(at, release))
    const state = machine.newState()
    const shown = (x: number) => Number(x.toFixed(6))
    for (const temp of [shown(at), shown(at - release), shown(at) - 0.05, shown(at), shown(at - release) + 0.05]) {
      machine.step(state, machine.inputsFrom({ temp }), 1)
      expect(machine.otherOutputs[0]!.isOn(state.memory)).toBe(state.fansPct[0]! > 0)
    }
  })
  test.each([
    { when: 'above', x: [20, 20.1, 20, 19], on: [false, true, true, false] },
    { when: 'at-or-above', x: [20, 20.1, 20, 19], on: [true, true, true, false] },
    { when: 'below', x: [20, 19.9, 20, 21], on: [false, true, true, false] },
    { when: 'at-or-below', x: [20, 19.9, 20, 21], on: [true, true, true, false] },
  ] as const)('$when 20, a way back of 1', ({ when, x, on }) => {
    const machine = machineFor(
      responseTo([], {
        otherOutputs: [
          {
            id: 'out',
            kind: 'alarm',
            name: 'alarm',
            onWhen: [{ kind: 'input', input: 'temp', when, at: 20, release: 1 }],
            notWhile: [],
            delayS: 0,
          },
        ],
      }),
    )
    const state = machine.newState()
    expect(
      x.map((temp) => {
        machine.step(state, machine.inputsFrom({ temp }), 1)
        return machine.otherOutputs[0]!.isOn(state.memory)
      }),
    ).toEqual(on)
  })
})
