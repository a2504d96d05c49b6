import fc from 'fast-check'
import { checkResponse } from '@/core/machine/check'
import type { Follower, Reduction, Response, SkipBand } from '@/core/response/schema'
import type { PlainCondition } from '@/core/rules/condition'
import { SIDES } from '@/core/rules/input'
import { MEMORIES } from '@/core/rules/memory'
import type { Rule } from '@/core/rules/table'
import { dayAtPlace, type Season } from '@/core/rules/yearDay'
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
  fc
    .tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 200 }), pct, pct)
    .map(([day, more, from, to]): Rule => ({
      kind: 'by-age',
      id: '',
      rows: [
        { day, speedPct: from },
        { day: day + more, speedPct: to },
      ],
    })),
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
  fc.record({ kind: fc.constant('season' as const), season: fc.constantFrom('warm', 'cool') }),
  fc.record({
    kind: fc.constant('drier' as const),
    input: fc.constant('temp'),
    humidity: fc.constant('damp'),
    outdoor: fc.constant('out'),
    outdoorHumidity: fc.constant('dampOut'),
    by: fc.constantFrom(0, 0.002),
  }),
)

/** Now and then tied to a target; a rule that has set points is not. */
const tied = fc.constantFrom(undefined, undefined, undefined, 'heat', 'cool')
const byAge = fc
  .tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 200 }))
  .map(([day, more]) => [day, day + more] as const)
const changeOf = fc.record(
  {
    mode: fc.constantFrom('day' as const, 'night' as const),
    season: fc.constantFrom('warm', 'cool'),
    spans: fc.array(fc.record(weekSpan), { minLength: 1, maxLength: 2 }),
    at: degrees,
  },
  { requiredKeys: ['at'] },
)
const target = fc.record({
  at: degrees,
  changes: fc.array(changeOf, { maxLength: 3 }),
  byAge: fc.option(byAge),
  ageTo: degrees,
})
/** Seasons that meet somewhere in the year, and back. */
const seasons = fc
  .tuple(fc.integer({ min: 0, max: 365 }), fc.integer({ min: 1, max: 365 }))
  .map(([start, length]): Season[] => [
    { id: 'warm', name: 'warm', from: dayAtPlace(start), to: dayAtPlace((start + length - 1) % 366) },
    { id: 'cool', name: 'cool', from: dayAtPlace((start + length) % 366), to: dayAtPlace((start + 365) % 366) },
  ])

/** One rule of any kind; mostly it asks whatever else is, and some hang on a condition or two. */
const anyRule: fc.Arbitrary<Rule> = fc
  .tuple(
    plainRule,
    fc.oneof(
      { weight: 3, arbitrary: fc.constant<PlainCondition[]>([]) },
      { weight: 1, arbitrary: fc.array(condition, { minLength: 1, maxLength: 2 }) },
    ),
    tied,
    tied,
  )
  .map(([rule, onlyWhile, target, other]): Rule => ({
    ...rule,
    ...(('onAt' in rule || 'fullAt' in rule) && !rule.setPoints && target ? { target } : {}),
    ...(onlyWhile.length > 0
      ? {
          onlyWhile: onlyWhile.map((each) =>
            other && (each.kind === 'input' || each.kind === 'between') ? { ...each, target: other } : each,
          ),
        }
      : {}),
  }))

/** Growth is counted from here in every one of them. */
const PLACED_ON = '2026-03-02'

/** Up to six rules, and what stands beside rules. */
const anyParts = fc.record({
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
  heat: target,
  night: fc.boolean(),
  cool: target,
  follows: fc.boolean(),
  seasons,
  seasonNow: fc.constantFrom(undefined, undefined, 'warm', 'cool'),
  lostBelow: fc.constantFrom(undefined, undefined, 12),
  cutOut: fc.option(fc.tuple(pct, pct), { freq: 3 }),
  speeds: fc.option(fc.uniqueArray(pct, { minLength: 1, maxLength: 4 })),
  stepUps: fc.array(
    fc.record({ by: fc.integer({ min: 1, max: 3 }), onlyWhile: fc.array(condition, { minLength: 1, maxLength: 2 }) }),
    {
      maxLength: 2,
    },
  ),
  waitS: fc.constantFrom(undefined, undefined, 25),
  stages: fc.option(
    fc.record({
      offBelowPct: fc.constantFrom(0, 5, 20),
      minStageS: seconds,
      count: fc.integer({ min: 1, max: 3 }),
      percentOf: fc.constantFrom(undefined, 'fans' as const, 'air' as const),
      byReading: fc.constantFrom(false, false, true),
    }),
  ),
})

type Parts = typeof anyParts extends fc.Arbitrary<infer T> ? T : never

/** What goes by the date: seasons, targets, growth. */
const ofTheYear = (has: Parts): Partial<Response> => ({
  seasons: has.seasons,
  ...(has.seasonNow ? { seasonNow: has.seasonNow } : {}),
  placedOn: PLACED_ON,
  targets: (['heat', 'cool'] as const).map((id) => {
    const { at, changes, byAge: days, ageTo } = has[id]
    const told = changes.filter(({ mode, season, spans }) => mode ?? season ?? spans)
    return {
      id,
      name: id,
      kind: 'temperature' as const,
      at,
      ...(told.length > 0 ? { changes: told } : {}),
      ...(days
        ? {
            byAge: [
              { day: days[0], at },
              { day: days[1], at: ageTo },
            ],
          }
        : {}),
      ...(id === 'cool' && has.follows ? { follows: 'heat' } : {}),
    }
  }),
})

/** Speeds under names, and the low-speed cut-out. */
const ofSpeeds = (has: Parts, [low, high]: readonly [number, number]): Partial<Response> => ({
  ...(has.cutOut && has.offAllowed && !has.stages
    ? {
        cutOut: {
          offBelowPct: Math.min(...has.cutOut),
          backAtPct: Math.min(high, Math.max(low, ...has.cutOut)),
        },
      }
    : {}),
  ...(has.speeds
    ? {
        speeds: has.speeds
          .sort((x, y) => x - y)
          .map((speed, index) => ({
            id: `s${index}`,
            name: `speed ${index}`,
            pct: speed,
            ...(has.follower === 'none' ? {} : { fans: [{ fan: 'second', pct: Math.min(100, speed + 7) }] }),
          })),
        stepUps: has.stepUps,
      }
    : {}),
})

const ofStages = (has: Parts): Partial<Response> =>
  has.stages
    ? {
        stages: {
          offBelowPct: has.stages.offBelowPct,
          minStageS: has.stages.minStageS,
          ...(has.stages.percentOf ? { percentOf: has.stages.percentOf } : {}),
          fixed: [25, 50, 75].slice(0, has.stages.count).map((joinsAtPct) => ({
            fan: `f${joinsAtPct}`,
            joinsAtPct,
            ...(has.stages?.byReading
              ? {
                  joinsWhile: {
                    kind: 'input' as const,
                    input: 'temp',
                    when: 'at-or-above' as const,
                    at: joinsAtPct / 5 + 10,
                    release: 2,
                  },
                }
              : {}),
          })),
        },
      }
    : {}

/** Up to six rules with everything that stands beside rules now there, now not. */
export const anyResponse: fc.Arbitrary<Response> = anyParts
  .map((has) => {
    const {
      rules,
      bounds: [a, b],
      overrides,
    } = has
    return exampleResponse({
      inputs: [
        {
          id: 'temp',
          kind: 'temperature',
          name: 'temp',
          from: 0,
          to: 50,
          offset: has.offset,
          ...(has.lostBelow === undefined ? {} : { lostBelow: has.lostBelow }),
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
      floor: {
        speedPct: Math.min(a, b),
        reasons: [],
        offAllowed: has.offAllowed,
        ...(has.night && has.hasModes !== 'none'
          ? { nightPct: Math.round((Math.min(a, b) * 3 + Math.max(a, b)) / 4) }
          : {}),
      },
      ceiling: {
        speedPct: Math.max(a, b),
        how: has.ceilingHow,
        ...(has.night && has.hasModes !== 'none'
          ? { nightPct: Math.round((Math.min(a, b) + Math.max(a, b)) / 2) }
          : {}),
      },
      steps: has.steps,
      ...(has.rate ? { rate: has.rate } : {}),
      ...ofTheYear(has),
      ...ofSpeeds(has, [Math.min(a, b), Math.max(a, b)]),
      ...(has.waitS === undefined ? {} : { powerReturn: { waitS: has.waitS } }),
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
      ...ofStages(has),
    })
  })
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
