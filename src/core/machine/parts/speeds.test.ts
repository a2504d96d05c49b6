import { checkResponse } from '@/core/machine/check'
import { explain } from '@/core/machine/explain'
import { speedUp } from '@/core/machine/parts/stepUps'
import type { OtherOutput, Response } from '@/core/response/schema'
import { reasonText } from '@/core/sentences/words'
import { fansOver, machineFor, measured, plainRamp, responseTo, settledPct, speedsOver } from '@/testing/examples'

const offAllowed = { speedPct: 0, reasons: [], offAllowed: true }

describe('low-speed cut-out: off below 30, back at 40', () => {
  const cut = responseTo([plainRamp()], { floor: offAllowed, cutOut: { offBelowPct: 30, backAtPct: 40 } })

  test.each([
    { name: 'what is asked below it gives nothing, and is not raised', asks: [20, 29], gives: [0, 0] },
    { name: 'on the way up it waits for the speed of coming back', asks: [29, 35, 39.9, 40], gives: [0, 0, 0, 40] },
    {
      name: 'running it goes down to its point, and stands under it',
      asks: [50, 35, 30, 29.9, 35],
      gives: [50, 35, 30, 0, 0],
    },
  ])('$name', ({ asks, gives }) =>
    expect(
      speedsOver(
        cut,
        asks.map((temp) => ({ temp })),
      ),
    ).toEqual(gives),
  )

  test('a hold stands above it', () => {
    const withTest = { ...cut, overrides: { test: { input: 'contact', speedPct: 25 } } }
    expect(settledPct(machineFor(withTest), { temp: 0, contact: 1 })).toBe(25)
  })

  test('it says why it stands', () => {
    const machine = machineFor(cut)
    const inputs = machine.inputsFrom({ temp: 20 })
    expect(reasonText(machine.response, explain(machine, machine.settledState(inputs), inputs))).toContain(
      'That is below its low-speed cut-out, so it stands until 40 % is asked.',
    )
  })
})

test.each([
  { asked: 0, by: 1, up: 30 },
  { asked: 30, by: 1, up: 50 },
  { asked: 45, by: 1, up: 50 },
  { asked: 50, by: 1, up: 80 },
  { asked: 50, by: 3, up: 80 },
  { asked: 90, by: 1, up: 90 },
])('gears of 30, 50, 80: asked $asked, $by more is $up', ({ asked, by, up }) =>
  expect(speedUp([30, 50, 80], asked, by)).toBe(up),
)

const speeds = [
  { id: 'low', name: 'low', pct: 30, fans: [{ fan: 'extract', pct: 33 }] },
  { id: 'high', name: 'high', pct: 80, fans: [{ fan: 'extract', pct: 90 }] },
]
const balanced = responseTo([plainRamp({ below: 'from' })], {
  followers: [{ fan: 'extract', ratio: 0.5, floorPct: 0, atLeadFloor: 'follow' }],
  speeds,
})

test.each([
  { lead: 30, extract: 33 },
  { lead: 80, extract: 90 },
  { lead: 55, extract: 61.5 },
  { lead: 15, extract: 16.5 },
  { lead: 88, extract: 99 },
  { lead: 100, extract: 100 },
])('supply and extract trimmed apart: at $lead the other runs $extract', ({ lead, extract }) =>
  expect(fansOver(balanced, [{ temp: lead }])[0]![1]).toBeCloseTo(extract, 9),
)

test('one gear more while the door is open, and the highest is the top', () => {
  const curtain = {
    ...balanced,
    stepUps: [{ by: 1, onlyWhile: [{ kind: 'switch' as const, input: 'contact', is: 'on' as const }] }],
  }
  expect(speedsOver(curtain, [{ temp: 30 }, { temp: 30, contact: 1 }, { temp: 85, contact: 1 }, { temp: 30 }])).toEqual(
    [30, 80, 85, 30],
  )
})

test('limits of the night count by night alone', () => {
  const response = responseTo([plainRamp()], {
    floor: { speedPct: 10, reasons: [], nightPct: 20 },
    ceiling: { speedPct: 100, how: 'clip', nightPct: 60 },
    light: { input: 'light', level: 50, delayS: 0 },
  })
  const at = (temp: number, light: number) => settledPct(machineFor(response), { temp, light })
  expect([at(0, 90), at(90, 90), at(0, 0), at(15, 0), at(90, 0)]).toEqual([10, 90, 20, 20, 60])
})

describe('a ladder', () => {
  const fixed = ['a', 'b', 'c'].map((fan, index) => ({ fan, joinsAtPct: 25 * (index + 1) }))
  const ladder = (stages: Partial<NonNullable<Response['stages']>>): Response =>
    responseTo([plainRamp()], {
      floor: { speedPct: 65, reasons: [], offAllowed: true },
      stages: { fixed, offBelowPct: 0, minStageS: 0, ...stages },
    })
  const airOf = ([lead = 0, ...others]: readonly number[]) => (lead + others.reduce((sum, pct) => sum + pct, 0)) / 4

  // Common practice, no source: with a floor of 65 % a join at 25 % of the fans gives 1.65 of 4, 41 % of the air.
  test.each([
    { percentOf: 'fans' as const, demand: 25, air: 41.25 },
    { percentOf: 'air' as const, demand: 50, air: 66.25 },
    { percentOf: 'air' as const, demand: 70, air: 70 },
    { percentOf: 'air' as const, demand: 22, air: 22 },
    { percentOf: 'air' as const, demand: 100, air: 100 },
  ])('in percent of $percentOf: $demand % moves $air % of the air', ({ percentOf, demand, air }) =>
    expect(airOf(fansOver(ladder({ percentOf }), [{ temp: demand }])[0]!)).toBeCloseTo(air, 9),
  )

  const joining = (at: number) => ({
    kind: 'input' as const,
    input: 'rh',
    when: 'at-or-above' as const,
    at,
    release: 2,
  })
  const byReading = ladder({ fixed: fixed.map((join, index) => ({ ...join, joinsWhile: joining(20 + 3 * index) })) })

  test('by a reading: each fan at its own, gone so far back; the demand is of the variable fan alone', () =>
    expect(
      fansOver(
        byReading,
        [19, 20, 23, 21.5, 18.5, 18].map((rh) => ({ temp: 70, rh })),
      ),
    ).toEqual([
      [70, 0, 0, 0],
      [70, 100, 0, 0],
      [70, 100, 100, 0],
      [70, 100, 100, 0],
      [70, 100, 0, 0],
      [70, 0, 0, 0],
    ]))

  test.each<{ name: string; response: Response; problem: string }>([
    {
      name: 'some by a reading, some by the demand',
      response: ladder({ fixed: [{ ...fixed[0]!, joinsWhile: joining(20) }, fixed[1]!] }),
      problem: 'stages.fixed: mixed_stages',
    },
    {
      name: 'readings that do not rise',
      response: ladder({ fixed: fixed.map((join) => ({ ...join, joinsWhile: joining(20) })) }),
      problem: 'stages.fixed: mixed_stages',
    },
    { name: 'too few openings', response: ladder({ inletPct: [10, 40] }), problem: 'stages.inletPct: inlet_count' },
  ])('refused: $name', ({ response, problem }) =>
    expect(checkResponse(response).map(({ code, path }) => `${path}: ${code}`)).toEqual([problem]),
  )
})

describe('other outputs', () => {
  const output = (changes: Partial<OtherOutput>): OtherOutput => ({
    id: 'out',
    kind: 'valve',
    name: 'valve',
    onWhen: [{ kind: 'switch', input: 'contact', is: 'on' }],
    notWhile: [],
    delayS: 0,
    ...changes,
  })
  const over = (response: Response, rows: readonly Record<string, number>[], dtS: number) => {
    const machine = machineFor(response)
    const state = machine.newState()
    return rows.map((row, index) => {
      machine.step(state, machine.inputsFrom(row), index === 0 ? 0 : dtS)
      return machine.otherOutputs[0]!.isOn(state.memory)
    })
  }

  test('held on so long when no reason stands, and not a second longer', () =>
    expect(
      over(responseTo([], { otherOutputs: [output({ holdS: 20 })] }), [{ contact: 1 }, { contact: 1 }, {}, {}, {}], 10),
    ).toEqual([true, true, true, true, false]))

  test('a delay of days, and then every fan stands', () => {
    const day = 86_400
    const response = responseTo([plainRamp({ below: 'from', fromPct: 40 })], {
      otherOutputs: [output({ kind: 'alarm', delayS: 14 * day, stopsFans: true })],
    })
    const speedPct = (days: number) =>
      speedsOver(
        response,
        [
          { temp: 50, contact: 1 },
          { temp: 50, contact: 1 },
        ],
        days * day,
      ).at(-1)
    expect([speedPct(13.9), speedPct(14)]).toEqual([70, 0])
  })

  test('one that stops the fans may not hang on their speed', () =>
    expect(
      checkResponse(
        responseTo([], {
          otherOutputs: [
            output({ stopsFans: true, onWhen: [{ kind: 'speed', fan: 'fan', when: 'above', atPct: 50 }] }),
          ],
        }),
      ).map(({ code }) => code),
    ).toEqual(['stop_by_speed']))
})

test('when power returns everything stands for its time', () => {
  const response = responseTo([plainRamp({ below: 'from', fromPct: 40 })], {
    powerReturn: { waitS: 15 },
    overrides: { isolated: 'contact' },
  })
  const on = { temp: 50 }
  expect(speedsOver(response, [on, on, on, { ...on, contact: 1 }, on, on, on], 10)).toEqual([0, 0, 70, 0, 0, 0, 70])
})

// Reference values sig.v010: the two readings of 2 to 10 V. 6 V is 50 % where the range is spread, 60 % where it is cut off.
const following = (startV: number, fromPct: number, lostBelow?: number): Response => ({
  ...responseTo([plainRamp({ input: 'signal', startAt: startV, fullAt: 10, fromPct, below: 'nothing' })], {
    floor: offAllowed,
  }),
  inputs: [
    {
      ...measured('signal', 'volts'),
      to: 10,
      lostPct: 35,
      ...(lostBelow === undefined ? {} : { lostBelow }),
    },
  ],
})
test.each([
  { name: '2–10 V spread', response: following(2, 0, 1), volts: 6, pct: 50 },
  { name: '2–10 V, nothing at 2 V', response: following(2, 0, 1), volts: 2, pct: 0 },
  { name: '2–10 V, its lead cut', response: following(2, 0, 1), volts: 0, pct: 35 },
  { name: '0–10 V off below 2 V', response: following(2, 20), volts: 6, pct: 60 },
  { name: '0–10 V off below 2 V, 0 V is off and not lost', response: following(2, 20), volts: 0, pct: 0 },
  { name: '0–10 V', response: following(0, 0), volts: 2.5, pct: 25 },
])('a main controller asks by volts: $name, $volts V', ({ response, volts, pct }) =>
  expect(settledPct(machineFor(response), { signal: volts })).toBeCloseTo(pct, 9),
)

test.each([
  {
    name: 'a point above 10 V',
    response: { ...following(2, 20), rules: [plainRamp({ input: 'signal', startAt: 2, fullAt: 12 })] },
  },
  {
    name: 'a range above 10 V',
    response: { ...following(2, 20), inputs: [{ ...measured('signal', 'volts'), to: 12 }] },
  },
])('refused: $name', ({ response }) =>
  expect(checkResponse(response).map(({ code }) => code)).toEqual(['outside_signal']),
)
