import dayjs from 'dayjs'
import timezone from 'dayjs/plugin/timezone'
import utc from 'dayjs/plugin/utc'
import fc from 'fast-check'
import { compile } from '@/core/machine/compile'
import { differentialPoints, isDifferentialOn, type Differential } from '@/core/rules/differential'
import { localWeekClock } from '@/core/rules/localClock'
import type { RapidRise } from '@/core/rules/rapidRise'
import type { Rule } from '@/core/rules/table'
import { fillSpan, WEEK_MIN, WEEK_S, type Period } from '@/core/rules/week'
import { machineFor, measured, responseTo as response, speedsOver as run } from '@/testing/examples'
import { referencePoints } from '@/testing/reference'

dayjs.extend(utc)
dayjs.extend(timezone)

function runsAt(period: Period, weekS: number): boolean {
  const minutes = new Uint8Array(WEEK_MIN)
  fillSpan(minutes, period, 1)
  return minutes[Math.floor(weekS / 60) % WEEK_MIN] === 1
}
const bits = (speeds: readonly number[]): string => speeds.map((pct) => (pct > 0 ? 1 : 0)).join('')

const differential = (changes: Partial<Differential> = {}): Differential => ({
  id: 'd',
  kind: 'differential',
  input: 'temp',
  action: 'direct',
  onAt: 20,
  offAt: 19,
  speedPct: 100,
  minOnS: 0,
  minOffS: 0,
  ...changes,
})

describe('differential', () => {
  const sequence = [18, 19, 19.5, 20, 19.5, 19.1, 19, 19.5, 20.5, 21, 20.5, 20, 19.9, 19, 20.99, 21, 19.01]
  test.each([
    { name: 'on at set, off a differential below', onAt: 20, offAt: 19, on: '00011100111110111' },
    { name: 'symmetric', onAt: 21, offAt: 19, on: '00000000011110011' },
    { name: 'off at set', onAt: 21, offAt: 20, on: '00000000011000010' },
  ])('$name (reference-values ctl.onOff)', ({ onAt, offAt, on }) =>
    expect(
      bits(
        run(
          response([differential({ onAt, offAt })]),
          sequence.map((temp) => ({ temp })),
        ),
      ),
    ).toBe(on),
  )
  test('heating is mirrored (ctl.onOffHeating)', () =>
    expect(
      bits(
        run(
          response([differential({ action: 'reverse', onAt: 19, offAt: 20 })]),
          [20.5, 19.5, 19, 19.5, 20, 19.5, 18.9, 20].map((temp) => ({ temp })),
        ),
      ),
    ).toBe('00110010'))
  test('humidity (ctl.humidityOnOff)', () =>
    expect(
      bits(
        run(
          response([differential({ input: 'rh', onAt: 70, offAt: 65 })]),
          [50, 69, 70, 68, 65, 64.9, 65, 70, 71].map((rh) => ({ rh })),
        ),
      ),
    ).toBe('001100011'))
  test('two-speed: idle below, full above (ctl.twoSpeed)', () =>
    expect(
      run(
        response([differential()], { floor: { speedPct: 30, reasons: [] } }),
        [18, 19.5, 20, 19.5, 19, 19.5, 21, 18.5].map((temp) => ({ temp })),
      ),
    ).toEqual([30, 30, 100, 100, 30, 30, 100, 30]))
  // docs/control-laws.md wants the last state at equality; reference-values ctl.onOff with d = 0 switches on there. The page wins.
  test('with one point it holds exactly at it', () =>
    expect(
      bits(
        run(
          response([differential({ onAt: 20, offAt: 20 })]),
          [19.9, 20, 20.1, 20, 19.9].map((temp) => ({ temp })),
        ),
      ),
    ).toBe('00110'))
  test('least times on and off (ctl.minOnOff)', () => {
    const demand = [...'0100010111110'].map((bit) => ({ temp: bit === '1' ? 25 : 15 }))
    expect(bits(run(response([differential({ minOnS: 3, minOffS: 2 })]), demand))).toBe('0111000111110')
  })
  test('symmetric 0.4 K about 21 is on at 21.4 and off at 20.6 (common practice, no source)', () => {
    const rule = differential({ onAt: 21.4, offAt: 20.6 })
    expect([
      isDifferentialOn(differentialPoints(rule), 21.39, false),
      isDifferentialOn(differentialPoints(rule), 21.4, false),
      isDifferentialOn(differentialPoints(rule), 20.61, true),
      isDifferentialOn(differentialPoints(rule), 20.6, true),
    ]).toEqual([false, true, true, false])
  })
  test('points the wrong way round are refused', () =>
    expect(compile(response([differential({ onAt: 19, offAt: 20 })]))).toMatchObject({
      ok: false,
      problems: [{ path: 'rules.0.offAt' }],
    }))
})

test.each(
  referencePoints('ctl.surge').map(({ in: i, out }) => ({
    windowMin: i.W_min as number,
    rise: i.R_pct as number,
    release: i.m_pct as number,
    maxMin: i.max_min as number,
    rh: i.RH as number[],
    on: (out.on as number[]).join(''),
  })),
)(
  'rapid rise of $rise in $windowMin min, at most $maxMin min → $on',
  ({ windowMin, rise, release, maxMin, rh, on }) => {
    const rule: RapidRise = {
      id: 's',
      kind: 'rapid-rise',
      input: 'rh',
      windowS: windowMin * 60,
      rise,
      release,
      speedPct: 80,
      capS: maxMin * 60,
    }
    expect(
      bits(
        run(
          response([rule]),
          rh.map((x) => ({ rh: x })),
          60,
        ),
      ),
    ).toBe(on)
  },
)

describe('week, against an independent wall clock', () => {
  const period = (days: number[], startMin: number, endMin: number): Period => ({
    days,
    startMin,
    endMin,
    speedPct: 50,
  })
  test.each([
    { name: 'start counts', at: [0, 480], on: true },
    { name: 'end does not', at: [0, 1020], on: false },
    { name: 'another day', at: [5, 500], on: false },
  ])('$name', ({ at: [day, minute], on }) =>
    expect(runsAt(period([0, 1, 2, 3, 4], 480, 1020), day! * 86400 + minute! * 60)).toBe(on),
  )
  test.each([
    { name: 'Sunday night into Monday', weekS: 3600, on: true },
    { name: 'Monday evening is not Sunday', weekS: 23 * 3600, on: false },
    { name: 'Sunday 22:00', weekS: 6 * 86400 + 22 * 3600, on: true },
  ])('over midnight: $name', ({ weekS, on }) => expect(runsAt(period([6], 22 * 60, 2 * 60), weekS)).toBe(on))
  test('a window of 23 h 59 min leaves one minute (common practice, no source)', () => {
    const rule: Rule = { id: 'w', kind: 'week', periods: [period([0, 1, 2, 3, 4, 5, 6], 241, 240)] }
    const speeds = run(
      response([rule]),
      Array.from({ length: 1440 }, (_, minute) => ({ clock: minute * 60 })),
      60,
    )
    expect(speeds.flatMap((pct, minute) => (pct === 0 ? [minute] : []))).toEqual([240])
  })
  test('an hour missing or repeated skips no end: every instant of two changing days agrees with the wall clock', () => {
    const night = period([5, 6], 90, 150) // Saturday and Sunday, 01:30 to 02:30, across the change
    const weekSAt = localWeekClock('Europe/London')
    for (const day of ['2026-03-29', '2026-10-25']) {
      const start = dayjs.tz(`${day} 00:00`, 'Europe/London')
      for (let minute = 0; minute < 300; minute++) {
        const wall = dayjs(start.valueOf() + minute * 60000).tz('Europe/London')
        const minuteOfDay = wall.hour() * 60 + wall.minute()
        expect(runsAt(night, weekSAt(wall.valueOf()))).toBe(minuteOfDay >= 90 && minuteOfDay < 150)
      }
    }
  })
  test('equal times are refused', () =>
    expect(compile(response([{ id: 'w', kind: 'week', periods: [period([0], 60, 60)] }]))).toMatchObject({
      ok: false,
      problems: [{ path: 'rules.0.periods.0.endMin' }],
    }))
  test('where periods overlap the higher speed asks', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            days: fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1 }),
            startMin: fc.integer({ min: 0, max: 1439 }),
            endMin: fc.integer({ min: 0, max: 1440 }),
            speedPct: fc.integer({ min: 1, max: 100 }),
          }),
          { minLength: 1, maxLength: 5 },
        ),
        fc.integer({ min: 0, max: WEEK_S / 60 - 1 }),
        (periods, minute) => {
          const kept = periods.filter(({ startMin, endMin }) => startMin !== endMin)
          fc.pre(kept.length > 0)
          const [pct] = run(response([{ id: 'w', kind: 'week', periods: kept }]), [{ clock: minute * 60 }])
          expect(pct).toBe(
            Math.max(0, ...kept.filter((one) => runsAt(one, minute * 60)).map(({ speedPct }) => speedPct)),
          )
        },
      ),
      { seed: 51, numRuns: 60 },
    )
  })
})

test('a cycle runs its seconds in every period, from power-up', () =>
  expect(
    bits(
      run(
        response([{ id: 'c', kind: 'cycle', onS: 2, periodS: 5, speedPct: 40 }]),
        Array.from({ length: 12 }, () => ({})),
      ),
    ),
  ).toBe('110001100011'))

test('after-run: runs above, runs on after falling, stops; rising again cancels the countdown', () => {
  const rule: Rule = { id: 'f', kind: 'hold-after-fall', input: 'temp', armAbove: 60, speedPct: 50, holdS: 3 }
  expect(
    bits(
      run(
        response([rule]),
        [20, 61, 60, 59, 58, 57, 56].map((temp) => ({ temp })),
      ),
    ),
  ).toBe('0111100')
  expect(
    bits(
      run(
        response([rule]),
        [61, 59, 59, 61, 59, 59, 59, 59].map((temp) => ({ temp })),
      ),
    ),
  ).toBe('11111110')
})

describe('modes by light', () => {
  const day: Rule = {
    id: 'day',
    kind: 'ramp',
    input: 'temp',
    startAt: 0,
    fullAt: 10,
    fromPct: 80,
    toPct: 80,
    below: 'from',
    modes: ['day'],
  }
  const night: Rule = { ...day, id: 'night', fromPct: 30, toPct: 30, modes: ['night'] }
  const lit = (lights: readonly number[]) =>
    run(
      response([day, night], { light: { input: 'light', level: 50, delayS: 3 } }),
      lights.map((light) => ({ temp: 5, light })),
    )
  test.each([
    { name: 'dark without a break for the delay', lights: [90, 10, 10, 10, 10, 10], pct: [80, 80, 80, 80, 30, 30] },
    {
      name: 'a flash starts the count anew',
      lights: [90, 10, 10, 90, 10, 10, 10, 10],
      pct: [80, 80, 80, 80, 80, 80, 80, 30],
    },
    { name: 'at exactly the level it is day', lights: [50, 50, 50, 50, 50], pct: [80, 80, 80, 80, 80] },
    { name: 'at power-up it is what the light says', lights: [10, 10], pct: [30, 30] },
    { name: 'the same the other way', lights: [10, 60, 60, 60, 60], pct: [30, 30, 30, 30, 80] },
    { name: 'a lost reading changes nothing', lights: [90, NaN, NaN, NaN, NaN], pct: [80, 80, 80, 80, 80] },
  ])('$name', ({ lights, pct }) => expect(lit(lights)).toEqual(pct))
})

test('run-on keeps the last speed for a time; a new ask cancels it', () => {
  const rule = differential({ speedPct: 70 })
  expect(
    run(
      response([rule], { finalRunOn: { holdS: 3, speedPct: null } }),
      [25, 15, 15, 15, 15, 15].map((temp) => ({ temp })),
    ),
  ).toEqual([70, 70, 70, 70, 0, 0])
  expect(
    run(
      response([rule], { finalRunOn: { holdS: 3, speedPct: 40 } }),
      [25, 15, 15, 25, 15, 15, 15, 15].map((temp) => ({ temp })),
    ),
  ).toEqual([70, 40, 40, 70, 40, 40, 40, 0])
})

test.each([
  { how: 'points', pct: [70, 50] },
  { how: 'relative', pct: [70, 56] },
] as const)('a reduction of 20 in $how at −10 °C (common practice, no source)', ({ how, pct }) => {
  const rule: Rule = { id: 'w', kind: 'switch', input: 'contact', speedPct: 70, onDelayS: 0, overrun: { kind: 'none' } }
  expect(
    run(response([rule], { reductions: [{ input: 'temp', when: 'at-or-below', at: -10, byPct: 20, how }] }), [
      { temp: -9.9, contact: 1 },
      { temp: -10, contact: 1 },
    ]),
  ).toEqual(pct)
})

describe('overrides', () => {
  const rule = differential({ speedPct: 70 })
  test('cool-down: not less than its speed while heat is given and for a time after, whatever says off', () =>
    expect(
      run(
        response([], { heaterPurge: { input: 'contact', speedPct: 45, holdS: 3 } }),
        [0, 1, 1, 0, 0, 0, 0].map((contact) => ({ contact })),
      ),
    ).toEqual([0, 45, 45, 45, 45, 45, 0]))
  test('isolation has the last word, over heater purge too', () =>
    expect(
      run(
        response([rule], {
          heaterPurge: { input: 'contact', speedPct: 45, holdS: 9 },
          overrides: { isolated: 'contact' },
        }),
        [{ temp: 25 }, { temp: 25, contact: 1 }],
      ),
    ).toEqual([70, 0]))
  test('a lost sensor goes to its speed, whatever the others ask', () => {
    const document = response([rule])
    const [temp, ...others] = document.inputs
    expect(
      run({ ...document, inputs: [{ ...temp!, lostPct: 100 } as typeof temp & object, ...others] }, [
        { temp: 25 },
        {},
        { temp: 15 },
      ]),
    ).toEqual([70, 100, 0])
  })
})

test('rate: up 10, down 20 a second (ctl.slew)', () => {
  const speeds = [50, 50, 50, 50, 50, 55, 0, 0, 0, 0]
  const ramp: Rule = {
    id: 'r',
    kind: 'ramp',
    input: 'temp',
    startAt: 0,
    fullAt: 100,
    fromPct: 0,
    toPct: 100,
    below: 'from',
  }
  const machine = machineFor(response([ramp], { rate: { upPctPerS: 10, downPctPerS: 20 } }))
  const state = machine.newState()
  expect(
    speeds.map((temp) => {
      machine.step(state, machine.inputsFrom({ temp }), 1)
      return state.fansPct[0]
    }),
  ).toEqual([10, 20, 30, 40, 50, 55, 35, 15, 0, 0])
})

test('off allowed: a distinct state, with nothing between 0 and the floor', () =>
  expect(
    run(
      response(
        [{ id: 'r', kind: 'ramp', input: 'temp', startAt: 20, fullAt: 30, fromPct: 5, toPct: 100, below: 'nothing' }],
        { floor: { speedPct: 25, reasons: [], offAllowed: true } },
      ),
      [10, 20, 21, 30, 19.9].map((temp) => ({ temp })),
    ),
  ).toEqual([0, 25, 25, 100, 0]))

describe('inputs', () => {
  const ramp = (input: string): Rule => ({
    id: 'r',
    kind: 'ramp',
    input,
    startAt: 0,
    fullAt: 100,
    fromPct: 0,
    toPct: 100,
    below: 'from',
  })
  test('an offset is added', () =>
    expect(
      run(response([ramp('temp')], { inputs: [{ ...measured('temp', 'temperature'), offset: -2 }] }), [{ temp: 42 }]),
    ).toEqual([40]))
  test.each([
    { how: 'highest', a: 30, b: 50, pct: 50 },
    { how: 'lowest', a: 30, b: 50, pct: 30 },
    { how: 'average', a: 30, b: 50, pct: 40 },
    { how: 'difference', a: 50, b: 30, pct: 20 },
    { how: 'highest', a: 30, b: NaN, pct: 30 },
    { how: 'average', a: NaN, b: 50, pct: 50 },
    { how: 'difference', a: 50, b: NaN, pct: 0 },
  ] as const)('$how of $a and $b → $pct', ({ how, a, b, pct }) =>
    expect(
      run(
        response([ramp('both')], {
          inputs: [
            measured('a', 'temperature'),
            measured('b', 'temperature'),
            { ...measured('both', 'temperature'), combines: { of: ['a', 'b'], how } },
          ],
        }),
        [{ a, b }],
      ),
    ).toEqual([pct]),
  )
  test('inputs are read every so many seconds', () =>
    expect(
      run(
        response([ramp('temp')], { scanS: 3 }),
        [10, 20, 30, 40, 50, 60, 70].map((temp) => ({ temp })),
      ),
    ).toEqual([10, 10, 10, 40, 40, 40, 70]))
})

test('what stands beside the rules is checked too, all at once', () => {
  const outcome = compile(
    response([], {
      light: { input: 'sun', level: 1, delayS: 1 },
      overrides: { isolated: 'plug' },
      reductions: [{ input: 'moon', when: 'at-or-above', at: 1, byPct: 1, how: 'points' }],
      skipBands: [{ fromPct: 50, toPct: 40 }],
    }),
  )
  expect(outcome.ok ? [] : outcome.problems.map(({ path }) => path)).toEqual([
    'light.input',
    'overrides.isolated',
    'reductions.0.input',
    'skipBands.0.fromPct',
  ])
})
