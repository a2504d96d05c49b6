import fc from 'fast-check'
import { checkResponse } from '@/core/machine/check'
import type { Follower, Reduction, Response, SkipBand } from '@/core/response/schema'
import type { PlainCondition } from '@/core/rules/condition'
import { SIDES } from '@/core/rules/input'
import { MEMORIES } from '@/core/rules/memory'
import type { Rule } from '@/core/rules/table'
import { exampleResponse } from '@/testing/examples'

// Whole figures, so that both sides meet thresholds exactly and count time without binary remainders.
const pct = fc.integer({ min: 1, max: 100 })
const degrees = fc.integer({ min: 10, max: 35 })
const seconds = fc.constantFrom(0, 10, 30, 60, 90)
const modes = fc.constantFrom<('day' | 'night')[] | undefined>(undefined, ['day'], ['night'])
const weekSpan = {
  days: fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 7 }),
  startMin: fc.integer({ min: 0, max: 700 }),
  endMin: fc.integer({ min: 701, max: 1440 }),
}
/** Mostly none: a set point or two that the week brings. */
const setPoints = fc.oneof(
  { weight: 3, arbitrary: fc.constant({}) },
  {
    weight: 1,
    arbitrary: fc
      .array(fc.record({ ...weekSpan, at: fc.integer({ min: 10, max: 30 }) }), { minLength: 1, maxLength: 2 })
      .map((points) => ({ setPoints: points })),
  },
)
const falls = fc.boolean()

/** One rule of any kind, hanging on nothing. */
const plainRule: fc.Arbitrary<Rule> = fc.oneof(
  fc
    .record({
      kind: fc.constant('ramp' as const),
      id: fc.constant(''),
      input: fc.constant('temp'),
      ends: fc.tuple(degrees, fc.integer({ min: 36, max: 50 })),
      fromPct: pct,
      toPct: pct,
      below: fc.constantFrom('from' as const, 'nothing' as const),
      modes,
      falls,
      points: setPoints,
    })
    .map(({ ends: [low, high], falls: isFalling, points, ...rule }) => ({
      ...rule,
      ...points,
      startAt: isFalling ? high : low,
      fullAt: isFalling ? low : high,
    })),
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
      action: fc.constantFrom('direct' as const, 'reverse' as const),
      onAt: degrees,
      width: fc.integer({ min: 0, max: 4 }),
      speedPct: pct,
      minOnS: seconds,
      minOffS: seconds,
      points: setPoints,
    })
    .map(({ width, points, ...rule }) => ({
      ...rule,
      ...points,
      offAt: rule.action === 'direct' ? rule.onAt - width : rule.onAt + width,
    })),
  fc.record({
    kind: fc.constant('rapid-rise' as const),
    id: fc.constant(''),
    input: fc.constant('temp'),
    windowS: fc.constantFrom(60, 120),
    rise: fc.integer({ min: 3, max: 10 }),
    release: fc.integer({ min: 0, max: 2 }),
    speedPct: pct,
    capS: fc.constantFrom(30, 100),
    rearmS: fc.constantFrom(undefined, 0, 90),
  }),
  fc.record({
    kind: fc.constant('week' as const),
    id: fc.constant(''),
    periods: fc.array(fc.record({ ...weekSpan, speedPct: pct }), { minLength: 1, maxLength: 3 }),
  }),
  fc.record({
    kind: fc.constant('cycle' as const),
    id: fc.constant(''),
    onS: fc.constantFrom(10, 30),
    periodS: fc.constantFrom(40, 100),
    speedPct: pct,
  }),
  fc.record({
    kind: fc.constant('hold-after-fall' as const),
    id: fc.constant(''),
    input: fc.constant('temp'),
    armAbove: degrees,
    speedPct: pct,
    holdS: seconds,
  }),
  fc.record(
    {
      kind: fc.constant('purge' as const),
      id: fc.constant(''),
      input: fc.constant('temp'),
      outdoor: fc.constant('out'),
      marginK: fc.constantFrom(1, 3, 8),
      untilAt: degrees,
      spans: fc.array(fc.record(weekSpan), { minLength: 1, maxLength: 2 }),
      speedPct: pct,
      notWetter: fc.constant({ room: 'damp', outdoor: 'dampOut' }),
    },
    { requiredKeys: ['kind', 'id', 'input', 'outdoor', 'marginK', 'untilAt', 'spans', 'speedPct'] },
  ),
)

const condition: fc.Arbitrary<PlainCondition> = fc.oneof(
  fc.record({
    kind: fc.constant('input' as const),
    input: fc.constant('temp'),
    when: fc.constantFrom(...SIDES),
    at: degrees,
    release: fc.integer({ min: 0, max: 4 }),
  }),
  fc.record({
    kind: fc.constant('between' as const),
    input: fc.constant('temp'),
    from: fc.integer({ min: 10, max: 20 }),
    to: fc.integer({ min: 21, max: 40 }),
  }),
  fc.record({
    kind: fc.constant('switch' as const),
    input: fc.constant('boost'),
    is: fc.constantFrom('on' as const, 'off' as const),
  }),
  fc.record({
    kind: fc.constant('clock' as const),
    spans: fc.array(fc.record(weekSpan), { minLength: 1, maxLength: 2 }),
  }),
)

/** One rule of any kind; mostly it asks whatever else is, and some hang on a condition or two. */
const anyRule: fc.Arbitrary<Rule> = fc
  .tuple(
    plainRule,
    fc.oneof(
      { weight: 3, arbitrary: fc.constant<PlainCondition[]>([]) },
      { weight: 1, arbitrary: fc.array(condition, { minLength: 1, maxLength: 2 }) },
    ),
  )
  .map(([rule, onlyWhile]) => (onlyWhile.length > 0 ? { ...rule, onlyWhile } : rule))

/** Up to six rules with everything that stands beside rules now there, now not. */
export const anyResponse: fc.Arbitrary<Response> = fc
  .record({
    rules: fc.array(anyRule, { maxLength: 6 }),
    bounds: fc.tuple(pct, pct),
    offAllowed: fc.boolean(),
    wins: fc.constantFrom<'highest' | 'first'>('highest', 'highest', 'first'),
    steps: fc.record({
      stepPct: fc.constantFrom(0, 0, 5, 10, 12.5, 100 / 3),
      rounding: fc.constantFrom('nearest' as const, 'nearest' as const, 'up' as const, 'down' as const),
      levelsPct: fc.constantFrom<number[] | undefined>(undefined, undefined, undefined, [35, 48, 61, 74, 87, 100]),
    }),
    ceilingHow: fc.constantFrom('clip' as const, 'clip' as const, 'rescale' as const),
    rate: fc.constantFrom(undefined, undefined, { upPctPerS: 0.5, downPctPerS: 1 }, { upPctPerS: 3, downPctPerS: 0.7 }),
    keeps: fc.subarray([...MEMORIES]),
    hasModes: fc.constantFrom('light', 'week', 'none'),
    day: fc.record(weekSpan),
    delayS: seconds,
    finalRunOn: fc.constantFrom(undefined, { holdS: 60, speedPct: null }, { holdS: 30, speedPct: 35 }),
    reduction: fc.constantFrom<Reduction['how'] | 'none'>('none', 'points', 'relative'),
    side: fc.constantFrom(...SIDES),
    bands: fc.constantFrom<SkipBand[]>(
      [],
      [],
      [{ fromPct: 43, toPct: 58 }],
      [{ fromPct: 20, toPct: 37 }],
      [{ fromPct: 80, toPct: 97 }],
      [
        { fromPct: 60, toPct: 72 },
        { fromPct: 40, toPct: 61 },
      ],
      [
        { fromPct: 30, toPct: 45 },
        { fromPct: 45, toPct: 55 },
      ],
    ),
    hasKick: fc.boolean(),
    overrides: fc.subarray(['test', 'lost', 'cool', 'hot', 'stop', 'isolated'] as const),
    offset: fc.constantFrom(0, 0, -2, 3),
    follower: fc.constantFrom<Follower['atLeadFloor'] | 'none'>('none', 'follow', 'floor', 'off'),
    stages: fc.option(
      fc.record({ offBelowPct: fc.constantFrom(0, 5, 20), minStageS: seconds, count: fc.integer({ min: 1, max: 3 }) }),
    ),
  })
  .map(({ rules, bounds: [a, b], overrides, ...has }) =>
    exampleResponse({
      inputs: [
        {
          id: 'temp',
          kind: 'temperature',
          name: 'temp',
          from: 0,
          to: 50,
          offset: has.offset,
          ...(overrides.includes('lost') ? { lostPct: 77 } : {}),
        },
        { id: 'out', kind: 'temperature', name: 'out', from: 0, to: 50 },
        { id: 'damp', kind: 'humidity', name: 'damp', from: 0, to: 100 },
        { id: 'dampOut', kind: 'humidity', name: 'damp outside', from: 0, to: 100 },
        { id: 'light', kind: 'light', name: 'light', from: 0, to: 100 },
        { id: 'boost', kind: 'switch', name: 'boost' },
        { id: 'heat', kind: 'switch', name: 'heat' },
        { id: 'stop', kind: 'switch', name: 'stop' },
      ],
      rules: rules.map((rule, index) => ({ ...rule, id: `r${index}` })),
      floor: { speedPct: Math.min(a, b), reasons: [], offAllowed: has.offAllowed },
      ceiling: { speedPct: Math.max(a, b), how: has.ceilingHow },
      steps: has.steps,
      ...(has.rate ? { rate: has.rate } : {}),
      keeps: has.keeps,
      wins: has.wins,
      ...(has.hasModes === 'light' ? { light: { input: 'light', level: 50, delayS: has.delayS } } : {}),
      ...(has.hasModes === 'week' ? { dayByWeek: [has.day] } : {}),
      ...(has.finalRunOn ? { finalRunOn: has.finalRunOn } : {}),
      ...(has.reduction === 'none'
        ? {}
        : { reductions: [{ input: 'temp', when: has.side, at: 15, byPct: 20, how: has.reduction }] }),
      ...(has.bands.length > 0 ? { skipBands: has.bands } : {}),
      startKick: has.hasKick ? { speedPct: 100, holdS: 20 } : null,
      ...(overrides.includes('cool') ? { heaterPurge: { input: 'heat', speedPct: 45, holdS: 50 } } : {}),
      overrides: {
        ...(overrides.includes('test') ? { test: { input: 'boost', speedPct: 33 } } : {}),
        ...(overrides.includes('hot') ? { overheat: { input: 'temp', onAt: 48, offBelow: 40 } } : {}),
        ...(overrides.includes('stop') ? { safetyStop: 'stop' } : {}),
        ...(overrides.includes('isolated') ? { isolated: 'heat' } : {}),
      },
      followers:
        has.follower === 'none' ? [] : [{ fan: 'second', ratio: 0.8, floorPct: 15, atLeadFloor: has.follower }],
      ...(has.stages
        ? {
            stages: {
              offBelowPct: has.stages.offBelowPct,
              minStageS: has.stages.minStageS,
              fixed: [25, 50, 75]
                .slice(0, has.stages.count)
                .map((joinsAtPct) => ({ fan: `f${joinsAtPct}`, joinsAtPct })),
            },
          }
        : {}),
    }),
  )
  // What its bounds leave no speed for is refused.
  .filter((response) => checkResponse(response).length === 0)

/** What its inputs read, moment by moment. */
export const anySeries = fc.array(
  fc.record({
    temp: fc.oneof(
      { weight: 9, arbitrary: fc.integer({ min: 8, max: 52 }) },
      { weight: 1, arbitrary: fc.constant(NaN) },
    ),
    out: fc.constantFrom(5, 18, 24, 30, NaN),
    damp: fc.constantFrom(30, 60, 90, NaN),
    dampOut: fc.constantFrom(30, 60, 90),
    light: fc.constantFrom(0, 49, 50, 90, NaN),
    boost: fc.constantFrom(0, 1),
    heat: fc.constantFrom(0, 0, 0, 1),
    stop: fc.constantFrom(0, 0, 0, 1),
    dtS: fc.constantFrom(10, 10, 10, 30, 60),
  }),
  { minLength: 1, maxLength: 25 },
)
