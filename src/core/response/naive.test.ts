import fc from 'fast-check'
import type { Response, Rule } from '@/core/response/schema'
import { exampleResponse, machineFor } from '@/testing/examples'
import { NaiveInterpreter } from '@/testing/naiveInterpreter'

// Whole figures, so that both sides meet thresholds exactly and count time without binary remainders.
const pct = fc.integer({ min: 1, max: 100 })
const degrees = fc.integer({ min: 10, max: 35 })
const seconds = fc.constantFrom(0, 10, 30, 60, 90)
const modes = fc.constantFrom<('day' | 'night')[] | undefined>(undefined, ['day'], ['night'])

const anyRule: fc.Arbitrary<Rule> = fc.oneof(
  fc.record({
    kind: fc.constant('ramp' as const),
    id: fc.constant(''),
    input: fc.constant('temp'),
    startAt: degrees,
    fullAt: fc.integer({ min: 36, max: 50 }),
    fromPct: pct,
    toPct: pct,
    below: fc.constantFrom('from' as const, 'nothing' as const),
    modes,
  }),
  fc.record({
    kind: fc.constant('switch' as const),
    id: fc.constant(''),
    input: fc.constant('boost'),
    speedPct: pct,
    onDelayS: seconds,
    overrun: fc.constantFrom(
      { kind: 'none' as const },
      { kind: 'fixed' as const, holdS: 60 },
      { kind: 'matched' as const, factor: 1, floorS: 20, capS: 120 },
    ),
    modes,
  }),
  fc
    .record({
      kind: fc.constant('differential' as const),
      id: fc.constant(''),
      input: fc.constant('temp'),
      sense: fc.constant('cooling' as const),
      onAt: degrees,
      width: fc.integer({ min: 0, max: 4 }),
      speedPct: pct,
      minOnS: seconds,
      minOffS: seconds,
    })
    .map(({ width, ...rule }) => ({ ...rule, offAt: rule.onAt - width })),
  fc.record({
    kind: fc.constant('surge' as const),
    id: fc.constant(''),
    input: fc.constant('temp'),
    windowS: fc.constantFrom(60, 120),
    rise: fc.integer({ min: 3, max: 10 }),
    release: fc.integer({ min: 0, max: 2 }),
    speedPct: pct,
    capS: fc.constantFrom(30, 100),
  }),
  fc.record({
    kind: fc.constant('week' as const),
    id: fc.constant(''),
    periods: fc.array(
      fc.record({
        days: fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 7 }),
        startMin: fc.integer({ min: 0, max: 700 }),
        endMin: fc.integer({ min: 701, max: 1440 }),
        speedPct: pct,
      }),
      { minLength: 1, maxLength: 3 },
    ),
  }),
  fc.record({
    kind: fc.constant('cycle' as const),
    id: fc.constant(''),
    onS: fc.constantFrom(10, 30),
    periodS: fc.constantFrom(40, 100),
    speedPct: pct,
  }),
  fc.record({
    kind: fc.constant('after-run' as const),
    id: fc.constant(''),
    input: fc.constant('temp'),
    armAbove: degrees,
    speedPct: pct,
    holdS: seconds,
  }),
)

const anyResponse: fc.Arbitrary<Response> = fc
  .record({
    rules: fc.array(anyRule, { maxLength: 6 }),
    bounds: fc.tuple(pct, pct),
    offAllowed: fc.boolean(),
    stepPct: fc.constantFrom(0, 0, 5, 10),
    hasLight: fc.boolean(),
    delayS: seconds,
    runOn: fc.constantFrom(undefined, { holdS: 60, speedPct: null }, { holdS: 30, speedPct: 35 }),
    hasReduction: fc.boolean(),
    hasBand: fc.boolean(),
    hasKick: fc.boolean(),
  })
  .map(({ rules, bounds: [a, b], offAllowed, stepPct, hasLight, delayS, runOn, hasReduction, hasBand, hasKick }) =>
    exampleResponse({
      inputs: [
        { id: 'temp', kind: 'temperature', name: 'temp', from: 0, to: 50 },
        { id: 'light', kind: 'light', name: 'light', from: 0, to: 100 },
        { id: 'boost', kind: 'switch', name: 'boost' },
      ],
      rules: rules.map((rule, index) => ({ ...rule, id: `r${index}` })),
      floor: { speedPct: Math.min(a, b), reasons: [], offAllowed },
      ceiling: { speedPct: Math.max(a, b), how: 'clip' },
      steps: { stepPct, rounding: 'nearest' },
      ...(hasLight ? { light: { input: 'light', level: 50, delayS } } : {}),
      ...(runOn ? { runOn } : {}),
      ...(hasReduction
        ? { reductions: [{ input: 'temp', when: 'at-or-below', at: 15, byPct: 20, how: 'points' }] }
        : {}),
      ...(hasBand ? { restBands: [{ fromPct: 43, toPct: 58 }] } : {}),
      startKick: hasKick ? { speedPct: 100, holdS: 20 } : null,
    }),
  )

const anySeries = fc.array(
  fc.record({
    temp: fc.oneof(
      { weight: 9, arbitrary: fc.integer({ min: 8, max: 52 }) },
      { weight: 1, arbitrary: fc.constant(NaN) },
    ),
    light: fc.constantFrom(0, 49, 50, 90, NaN),
    boost: fc.constantFrom(0, 1),
    dtS: fc.constantFrom(10, 10, 10, 30, 60),
  }),
  { minLength: 1, maxLength: 25 },
)

test('the machine agrees with an interpreter written a second time, on 10,000 random responses and series', () => {
  fc.assert(
    fc.property(anyResponse, anySeries, fc.integer({ min: 0, max: 10079 }), (response, series, startMin) => {
      const machine = machineFor(response)
      const state = machine.newState()
      const naive = new NaiveInterpreter(response)
      let atS = 0
      for (const [index, { dtS, ...values }] of series.entries()) {
        if (index > 0) atS += dtS
        const moment = { atS, values: { ...values, clock: (startMin * 60 + atS) % 604800 } }
        machine.step(state, machine.inputsFrom(moment.values), index === 0 ? 0 : dtS)
        expect(state.fansPct[0]).toBeCloseTo(naive.at(moment), 9)
      }
    }),
    { seed: 81, numRuns: 10_000 },
  )
}, 120_000)
