import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import type { Check, CheckOf } from '@/core/prove/check'
import { expectStep } from '@/core/prove/expect'
import { givenMark } from '@/core/prove/givenMark'
import { planFor, type Planned } from '@/core/prove/plan'
import { findingText } from '@/core/prove/finding'
import { readCheckReading, type CheckReading, type StepReading } from '@/core/prove/reading'
import { judge } from '@/core/prove/verdict'
import { clockAt } from '@/core/prove/weekClock'
import { checkText } from '@/core/prove/words'
import { weekClockText } from '@/core/rules/localClock'
import { demoInstallation } from '@/testing/examples'

const planned = (installation: Installation): Planned => planFor(installation, derive(installation))!
const room = planned(demoInstallation('fruiting-room'))
const find = ({ plan }: Planned, id: string): Check => plan.find((candidate) => candidate.id === id)!
const speedCheck = (of: Planned, id: string) => find(of, id) as CheckOf<'speed'>
const ids = ({ plan }: Planned) => plan.map(({ id }) => id)
const verdictOf = (of: Planned, id: string, reading: CheckReading) => judge(of.context, find(of, id), reading).verdict
const speeds = (...steps: StepReading[]): CheckReading => ({ kind: 'speed', steps })

test('every threshold, switch, timer, lost probe and the outage has its check', () =>
  expect(ids(room)).toEqual([
    'floor',
    'temp-start',
    'temp-inside',
    'temp-full',
    'damp-start',
    'damp-passage',
    'boost-on',
    'boost-overrun',
    'roomTemp-lost',
    'humidity-lost',
    'start-kick',
    'power',
    'read-back',
  ]))

describe('what is expected is what the given response does at what was really read', () => {
  test('at every probe that counts', () => {
    const warm = { inputs: { roomTemp: 18.6, humidity: 84 }, fansPct: {} }
    const [exhaust, makeUp] = expectStep(room.context, speedCheck(room, 'temp-inside'), 0, [warm])
    // 25 + 65 × 2.6 ÷ 4 = 67.25 → 65 in steps of 5.
    expect(exhaust).toMatchObject({ fan: 'exhaust', expectPct: 65 })
    expect(makeUp!.expectPct).toBe(50)
  })

  test('damp air raises it although only the warm probe was brought', () => {
    const damp = { inputs: { roomTemp: 16.6, humidity: 95 }, fansPct: {} }
    const [exhaust] = expectStep(room.context, speedCheck(room, 'temp-inside'), 0, [damp])
    expect(exhaust!.expectPct).toBeGreaterThan(45)
  })

  test('each part of the tolerance is said, and together they are the root of the sum of their squares', () => {
    const [exhaust] = expectStep(room.context, speedCheck(room, 'temp-inside'), 0)
    expect(exhaust!.parts.map(({ what }) => what)).toEqual([
      'probe ± 0.20 K',
      'its step ± 0.10 K',
      'Glass-rod reference ± 0.15 K',
      'step of the output',
      'meter',
    ])
  })

  // The hottest of two coils: 19.5 → 40 %, 34.5 → 100 %, as its fixed law says.
  const creamery = planned(demoInstallation('creamery-condenser'))
  test.each([
    { coils: [19, 19], givesPct: 40 },
    { coils: [27, 27], givesPct: 70 },
    { coils: [27, 20], givesPct: 70 },
    { coils: [38.2, 38.2], givesPct: 100 },
  ])('both coils at $coils give $givesPct %', ({ coils: [coil1 = 0, coil2 = 0], givesPct }) => {
    const reading = { inputs: { coil1, coil2 }, fansPct: {} }
    const [fan] = expectStep(creamery.context, speedCheck(creamery, 'head-start'), 0, [reading])
    expect(fan!.expectPct).toBeCloseTo(givesPct, 1)
  })

  test('every probe that counts is asked for, and none that does not exist', () => {
    const full = speedCheck(creamery, 'head-full')
    const { steps } = full
    const { title } = checkText(creamery.context, full)
    expect(steps[0]!.reads).toEqual(['coil1', 'coil2'])
    expect(title).toContain('both to')
    expect(ids(creamery)).toEqual(expect.arrayContaining(['coil1-lost', 'coil2-lost', 'coil-lost']))
    expect(checkText(creamery.context, find(creamery, 'coil-lost')).title).not.toContain('hottest')
  })

  test('a differential is read both ways, and a fan that never changes fails', () => {
    const door = planned(demoInstallation('ticket-hall-door'))
    const { steps } = speedCheck(door, 'cold-passage')
    const stuck = (pct: number) =>
      speeds(
        ...steps.map(({ stage }) => ({
          inputs: { hall: speedCheck(door, 'cold-passage').stages[stage]!.values.hall! },
          fansPct: { curtain: pct },
        })),
      )
    expect([0, 21, 40].map((pct) => verdictOf(door, 'cold-passage', stuck(pct)))).toEqual(['fails', 'fails', 'fails'])
  })
})

test.each([
  // 25 + 65 × 1.3 ÷ 4 = 46 and 25 + 65 × 2.8 ÷ 4 = 70.5, in steps of 5; the make-up at four fifths.
  { name: 'right', exhaust: [45, 70], makeUp: [35, 55], at: [17.3, 18.8], verdict: 'passes' },
  { name: 'off at one step', exhaust: [45, 90], makeUp: [35, 70], at: [17.3, 18.8], verdict: 'fails' },
  { name: 'read where it is warmer', exhaust: [45, 70], makeUp: [35, 55], at: [19.2, 20.5], verdict: 'fails' },
] as const)('$name: $verdict', ({ exhaust, makeUp, at, verdict }) =>
  expect(
    verdictOf(
      room,
      'temp-inside',
      speeds(
        ...([0, 1] as const).map((step) => ({
          inputs: { roomTemp: at[step], humidity: 84 },
          fansPct: { exhaust: exhaust[step], 'make-up': makeUp[step] },
        })),
      ),
    ),
  ).toBe(verdict),
)

test('volts at the terminals are read by the fan’s own signal', () => {
  const read = (volts: number) =>
    verdictOf(
      room,
      'floor',
      speeds({ inputs: { roomTemp: 14, humidity: 84 }, fansPct: { 'make-up': 20 }, fansV: { exhaust: volts } }),
    )
  expect([2.5, 3.4, 0].map(read)).toEqual(['passes', 'fails', 'fails'])
})

test.each<{ what: string; reading: StepReading; missing: string }>([
  {
    what: 'a probe',
    reading: { inputs: { roomTemp: 14 }, fansPct: { exhaust: 25, 'make-up': 20 } },
    missing: 'humidity',
  },
  { what: 'a fan', reading: { inputs: { roomTemp: 14, humidity: 84 }, fansPct: { exhaust: 25 } }, missing: 'make-up' },
])('without $what nothing is told', ({ reading, missing }) => {
  const { verdict, finding } = judge(room.context, find(room, 'floor'), speeds(reading))
  expect(verdict).toBe('cannot-tell')
  expect(findingText(finding)).toContain(missing)
})

test('a reading so near to where it jumps that anything would be right tells nothing', () => {
  const door = planned(demoInstallation('ticket-hall-door'))
  const check = speedCheck(door, 'cold-passage')
  const near = speeds(...check.steps.map(() => ({ inputs: { hall: 17.1 }, fansPct: { curtain: 0 } })))
  expect(verdictOf(door, 'cold-passage', near)).not.toBe('passes')
})

test('a band too narrow for the probe is said, and read at two places that are compared', () => {
  const installation = demoInstallation('fruiting-room')
  for (const probe of installation.kit.probes) probe.accuracy = 0.5
  const wide = planned(installation)
  const check = speedCheck(wide, 'temp-inside')
  expect(check.compares).toBe(true)
  expect(checkText(wide.context, check).how).toMatch(
    /would prove little with this probe, as anything from \d+ to \d+ % would be right/,
  )
})

test('a probe that was compared is seen through its offset', () => {
  const installation = demoInstallation('fruiting-room')
  const compared = [
    { reference: 12, read: 11 },
    { reference: 24, read: 23 },
  ]
  installation.calibration.sensors = [{ probe: installation.kit.probes[0]!.id, readings: compared }]
  const { context, plan } = planned(installation)
  const check = plan.find(({ id }) => id === 'temp-full') as CheckOf<'speed'>
  const [asked] = expectStep(room.context, speedCheck(room, 'temp-inside'), 0, [
    { inputs: { roomTemp: 18, humidity: 84 }, fansPct: {} },
  ])
  const [given] = expectStep(context, check, 0, [{ inputs: { roomTemp: 19, humidity: 84 }, fansPct: {} }])
  expect(given!.expectPct).toBe(asked!.expectPct)
  expect(checkText(context, check).title).toContain(`${(check.stages[1]!.values.roomTemp ?? 0).toFixed(1)} °C`)
})

describe('words come from the same figures, and ask only for what is there', () => {
  test('a matched overrun of factor 2 says twice as long', () => {
    const installation = demoInstallation('fruiting-room')
    installation.kit.controller = null
    Object.assign(
      installation.response.rules.find(({ id }) => id === 'boost')!,
      {
        overrun: { kind: 'matched', factor: 2, floorS: 10, capS: 3600 },
      },
    )
    const site = planned(installation)
    const check = find(site, 'boost-overrun') as CheckOf<'time'>
    expect(check.expectS).toBeCloseTo(240, -1)
    expect(checkText(site.context, check).how).toBe('Leave it on for 2 min first; after that it runs on for 4 min.')
  })

  test('no display is read where there is none', () => {
    const plugs = planned(demoInstallation('changing-rooms'))
    expect(plugs.plan.filter((check) => checkText(plugs.context, check).measureWith.includes('display'))).toEqual([])
  })

  test('a built-in sensor is not unplugged', () => {
    const installation = demoInstallation('fruiting-room')
    for (const probe of installation.kit.probes) probe.builtIn = true
    expect(ids(planned(installation)).filter((id) => id.endsWith('-lost'))).toEqual([])
  })

  test('nothing is asked that the probe does not survive, and no stove is frozen', () => {
    for (const name of ['bakehouse-flue', 'inverter-cupboard', 'creamery-condenser']) {
      const { plan, context } = planned(demoInstallation(name))
      for (const check of plan)
        for (const [id, x] of check.stages.flatMap(({ values }) => Object.entries(values))) {
          const probe = context.installation.kit.probes.find(({ input }) => input === id)
          if (!probe || Number.isNaN(x)) continue
          expect(x).toBeGreaterThan(-40)
          if (probe.survivesToC !== null && x > probe.survivesToC - 5)
            expect(checkText(context, check).how).toMatch(/decade box/)
        }
    }
  })

  test('the extract beside an open flue is spilled at full and in each fault state', () => {
    const installation = demoInstallation('archive-flat')
    installation.brief.answers = { ...installation.brief.answers, openFlue: true }
    const { plan } = planned(installation)
    expect(plan.filter(({ id }) => id.startsWith('spillage')).map(({ id }) => id)).toEqual([
      'spillage',
      'spillage-without-supply',
    ])
  })

  test('a house has its backup and its alarm tried', () =>
    expect(ids(planned(demoInstallation('duckling-brooder')))).toEqual(
      expect.arrayContaining(['backup', 'alarm-reaches', 'call-on-1', 'stage-1', 'stage-2', 'stage-3']),
    ))
})

// 2 s of hand and 5 % of the timer, expanded together: √3 × √(2² + 75²) = 130 s, never more than their sum of 77 s.
test.each([
  { timeS: 1500, verdict: 'passes' },
  { timeS: 1577, verdict: 'passes' },
  { timeS: 1578, verdict: 'fails' },
  { timeS: 1200, verdict: 'fails' },
] as const)('an overrun of $timeS s $verdict', ({ timeS, verdict }) =>
  expect(verdictOf(room, 'boost-overrun', { kind: 'time', timeS })).toBe(verdict),
)

test('a reading of another kind is a mistake of the program', () =>
  expect(() => judge(room.context, find(room, 'floor'), { kind: 'time', timeS: 3 })).toThrow('cannot be judged'))

test('results speak of one given response only', () => {
  const { response } = room.context
  expect(givenMark(response)).toBe(givenMark(structuredClone(response)))
  expect(givenMark({ ...response, floor: { ...response.floor, speedPct: 30 } })).not.toBe(givenMark(response))
})

test.each([
  { data: { kind: 'speed', inputRead: 18.3, fansPct: { exhaust: 65 } }, ok: true },
  { data: { kind: 'speed', inputRead: NaN, fansPct: {} }, ok: false },
  { data: { kind: 'speed', steps: [{ inputs: { t: 18.3 }, fansPct: { exhaust: 65 } }] }, ok: true },
  { data: { kind: 'speed', steps: [{ inputs: { t: 18.3 }, fansPct: {}, fansV: { exhaust: 6.5 } }] }, ok: true },
  { data: { kind: 'speed', steps: [] }, ok: false },
  { data: { kind: 'speed', steps: [{ inputs: { t: NaN }, fansPct: {} }] }, ok: false },
  { data: { kind: 'speed', steps: [{ inputs: {}, fansPct: { exhaust: 165 } }] }, ok: false },
  { data: { kind: 'time', timeS: -1 }, ok: false },
  { data: null, ok: false },
])('a reading from outside is checked: $data', ({ data, ok }) => expect(readCheckReading(data).ok).toBe(ok))

test('a purge is proved before its hours, in them, and after the room has come down', () => {
  const installation = demoInstallation('inverter-cupboard')
  const { response } = installation
  const room = response.inputs.find(({ kind }) => kind === 'temperature')!.id
  response.inputs.push({ id: 'outside', kind: 'temperature', name: 'outside', from: -20, to: 40 })
  response.rules = [
    {
      id: 'purge',
      kind: 'purge',
      input: room,
      outdoor: 'outside',
      marginK: 3,
      untilAt: 20,
      spans: [{ days: [2], startMin: 1320, endMin: 300 }],
      speedPct: response.ceiling.speedPct,
    },
  ]
  // As a controller that has a slot for it would give it: none that ships has.
  installation.kit.controller = null
  const { plan, context } = planFor(installation, derive(installation))!
  const check = plan.find(({ id }) => id === 'purge-purge') as CheckOf<'speed'>
  const expected = check.steps.map((_step, step) => expectStep(context, check, step)[0]!.expectPct)
  const floor = response.floor.offAllowed ? 0 : response.floor.speedPct
  expect(expected).toEqual([floor, response.ceiling.speedPct, floor])
  expect(checkText(context, check).steps[1]).toContain('Wed 22:02')
})

test.each([
  { minute: 1320, wording: 'Wed 22:00' },
  { minute: -2, wording: 'Tue 23:58' },
  { minute: 1441, wording: 'Thu 00:01' },
  { day: 0, minute: -2, wording: 'Sun 23:58' },
  { day: 6, minute: 1440, wording: 'Mon 00:00' },
])('a clock is set to a day and a time that there are: $wording', ({ day = 2, minute, wording }) => {
  expect(weekClockText(clockAt({ days: [day], startMin: 0, endMin: 60 }, minute))).toBe(wording)
})
