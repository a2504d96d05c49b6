import type { Response } from '@/core/response/schema'
import { compile } from '@/core/machine/compile'
import { measure, measureContext, type Measure } from '@/core/rehearse/measures'
import type { MeasureId } from '@/core/scenario/measureIds'
import { makeStage, rehearse, warmUp, type Stage, type Warm } from '@/core/rehearse/run'
import type { Trace } from '@/core/rehearse/trace'
import type { Scenario } from '@/core/scenario/schema'
import type { Aims } from '@/core/scenario/aims'
import { candidateResponse, type Blank } from '@/core/search/blanks'
import type { Score } from '@/core/search/front'
import type { Choice } from '@/core/search/search'
import type { Space } from '@/core/space/schema'
import type { Where } from '@/core/space/starting'

/** Steps of a search, s: what is found is rehearsed in fine ones before it is used. */
const SEARCH_STEP_S = 60
/** And of the hard day that only sorts out. */
const SORTING_STEP_S = 120

export type Task = {
  readonly where: Where
  readonly space: Space
  /** The first is the hardest. */
  readonly scenarios: readonly Scenario[]
  readonly given: Response
  readonly blanks: readonly Blank[]
  readonly aims: Aims
  /** Other steps than usual, s. */
  readonly stepS?: number
}

/** What a setting comes to on each day, and on all. */
export type Judged = {
  readonly score: Score
  /** Of each day in turn. */
  readonly byDay: readonly (readonly Measure[])[]
  readonly together: ReadonlyMap<MeasureId, number>
}

type Place = { readonly stage: Stage; readonly warm: Warm; readonly into: Trace }

/** Several days as one figure: times and energy on the sum, all else at its worst. */
function together(byDay: readonly (readonly Measure[])[]): Map<MeasureId, number> {
  const found = new Map<MeasureId, number>()
  for (const measures of byDay)
    for (const { id, value, unit, better } of measures) {
      const before = found.get(id)
      if (before === undefined) found.set(id, value)
      else if (unit === 's' || unit === 'kWh') found.set(id, before + value)
      else found.set(id, better === 'more' ? Math.min(before, value) : Math.max(before, value))
    }
  return found
}

/** What is broken of a hard limit, as a share of it (or of one unit where it is 0). */
const broken = (by: number, limit: number): number => (by > 0 ? by / Math.max(1, Math.abs(limit)) : 0)

function scoreOf(all: ReadonlyMap<MeasureId, number>, { hard, then }: Aims): Score {
  let breaks = 0
  for (const { measure: id, atMost, atLeast } of hard) {
    const value = all.get(id)
    if (value === undefined) continue
    if (atMost !== undefined) breaks += broken(value - atMost, atMost)
    if (atLeast !== undefined) breaks += broken(atLeast - value, atLeast)
  }
  // A hundredth is nothing: candidates that differ by less are alike.
  return {
    breaks: Math.round(breaks * 1e4) / 1e4,
    aims: then.map(({ measure: id }) => {
      const value = all.get(id) ?? 0
      return id === 'lowest-flow' ? -value : Math.round(value * 1e4) / 1e4
    }),
  }
}

const IMPOSSIBLE: Score = { breaks: 1e9, aims: [] }

/** The day of a scenario on which it is hardest, by itself: for all but a single day the one past the middle. */
export function hardestDay(scenario: Scenario): Scenario {
  if (scenario.days === 1) return scenario
  const day = Math.min(scenario.days - 1, Math.round(scenario.days * 0.55))
  const fromS = day * 86400
  return {
    ...scenario,
    days: 1,
    lines: scenario.lines
      .map((line) =>
        line.daily
          ? { ...line, ...(line.dayShift ? { dayShift: [line.dayShift[day % line.dayShift.length] ?? 0] } : {}) }
          : {
              ...line,
              points: line.points
                .filter(({ atS }) => atS >= fromS && atS < fromS + 86400)
                .map(({ atS, value }) => ({ atS: atS - fromS, value })),
            },
      )
      .filter(({ points }) => points.length > 0),
    events: scenario.events.flatMap((event) => {
      const atS = event.atS - fromS
      if (atS >= 86400 || atS + event.lengthS <= 0) return []
      return [{ ...event, atS: Math.max(0, atS), lengthS: Math.min(event.lengthS, 86400) }]
    }),
  }
}

/** Judges settings of a task; what does not hang on the setting is made once. */
export function makeEvaluator({ where, space, scenarios, given, blanks, aims, stepS }: Task) {
  const compiled = compile(given)
  if (!compiled.ok) throw new RangeError('the given response cannot be compiled')
  const machine = compiled.value
  const placeFor = (scenario: Scenario, usualS: number): Place => {
    const stage = makeStage(where, space, scenario, stepS ?? usualS)
    const warm = warmUp(stage, machine)
    return { stage, warm, into: rehearse(stage, machine, warm) }
  }
  const wanted = new Set([...aims.hard, ...aims.then].map(({ measure: id }) => id))
  // Each is made when it is first asked for: who judges on all days alone never needs the hard one.
  let hard: readonly Place[] | null = null
  let all: readonly Place[] | null = null
  const places = (level: 'hard-day' | 'all'): readonly Place[] =>
    level === 'hard-day'
      ? (hard ??= [placeFor(hardestDay(scenarios[0]!), SORTING_STEP_S)])
      : (all ??= scenarios.map((scenario) => placeFor(scenario, SEARCH_STEP_S)))

  function judge(response: Response, level: 'hard-day' | 'all', only?: ReadonlySet<MeasureId>): Judged | null {
    const outcome = compile(response)
    if (!outcome.ok) return null
    const byDay = places(level).map(({ stage, warm, into }) =>
      measure(rehearse(stage, outcome.value, warm, into), {
        ...measureContext(stage, response),
        ...(only ? { only } : {}),
      }),
    )
    const figures = together(byDay)
    return { score: scoreOf(figures, aims), byDay, together: figures }
  }

  return {
    judge,
    score: (choice: Choice, level: 'hard-day' | 'all'): Score =>
      judge(candidateResponse(given, blanks, choice), level, wanted)?.score ?? {
        ...IMPOSSIBLE,
        aims: aims.then.map(() => Infinity),
      },
  }
}
export type Evaluator = ReturnType<typeof makeEvaluator>
