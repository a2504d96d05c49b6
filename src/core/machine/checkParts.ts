import type { Problem } from '@/core/json/problem'
import { isUpward } from '@/core/machine/past'
import { fanIdsOf } from '@/core/response/fanIds'
import { airShares } from '@/core/response/airShares'
import { givableAbove, leadBounds } from '@/core/machine/givable'
import type { Response, Stages } from '@/core/response/schema'
import { seasonProblems } from '@/core/response/yearSeasons'
import { targetProblems } from '@/core/response/targetProblems'
import { emptySpan } from '@/core/rules/weekSpan'
import { conditionProblems, inputProblems, ruleConditionProblems } from '@/core/machine/checkConditions'
import { combinedProblems, signalProblems } from '@/core/machine/checkInputs'
import { cutOutProblems, nightProblems, speedProblems } from '@/core/machine/checkSpeeds'

function modeProblems(response: Response): Problem[] {
  const { light, dayByWeek = [] } = response
  return [
    ...(light ? inputProblems(response, 'light.input', light.input, 'measured') : []),
    ...(light && dayByWeek.length > 0
      ? [
          {
            code: 'two_day_clocks' as const,
            path: 'dayByWeek',
          },
        ]
      : []),
    ...dayByWeek.flatMap((span, index) => emptySpan(span, `dayByWeek.${index}`)),
  ]
}

function holdProblems(response: Response): Problem[] {
  const { isolated, safetyStop, overheat, test } = response.overrides ?? {}
  return [
    ...(isolated === undefined ? [] : inputProblems(response, 'overrides.isolated', isolated, 'switch')),
    ...(safetyStop === undefined ? [] : inputProblems(response, 'overrides.safetyStop', safetyStop, 'switch')),
    ...(test ? inputProblems(response, 'overrides.test.input', test.input, 'switch') : []),
    ...(overheat ? inputProblems(response, 'overrides.overheat.input', overheat.input, 'measured') : []),
    ...(overheat && overheat.offBelow > overheat.onAt
      ? [
          {
            code: 'overheat_order' as const,
            path: 'overrides.overheat.offBelow',
            onAt: overheat.onAt,
            offBelow: overheat.offBelow,
          },
        ]
      : []),
  ]
}

/** A ladder by readings, openings of inlets, shares of air. */
function ladderProblems({ fixed, inletPct, percentOf }: Stages, response: Response): Problem[] {
  const points = fixed.flatMap(({ joinsWhile }) => (joinsWhile ? [joinsWhile] : []))
  const [first] = points
  const sign = first && isUpward(first.when) ? 1 : -1
  const rises = points.every(
    ({ at, when, input }, index) =>
      input === first!.input &&
      isUpward(when) === isUpward(first!.when) &&
      (index === 0 || sign * (at - points[index - 1]!.at) > 0),
  )
  const needs = fixed.length + 1
  const { leadPct } = airShares({ fixed, offBelowPct: 0, minStageS: 0 })
  return [
    ...(points.length > 0 && (points.length < fixed.length || !rises)
      ? [{ code: 'mixed_stages' as const, path: 'stages.fixed' }]
      : []),
    ...points.flatMap((condition, index) => conditionProblems(response, condition, `stages.fixed.${index}.joinsWhile`)),
    ...(inletPct && inletPct.length !== needs
      ? [{ code: 'inlet_count' as const, path: 'stages.inletPct', got: inletPct.length, needs }]
      : []),
    ...(percentOf === 'air' && leadPct <= 0
      ? [
          {
            code: 'order' as const,
            path: 'stages.fixed.0.airPct',
            low: 'The air of the fixed fans together',
            lowValue: 100 - leadPct,
            high: 'all of the air',
            highValue: 100,
            unit: '%',
          },
        ]
      : []),
  ]
}

function stageProblems(response: Response): Problem[] {
  const { stages, steps } = response
  const fans = fanIdsOf(response)
  const levels = steps.levelsPct ?? []
  return [
    ...(stages ? ladderProblems(stages, response) : []),
    ...(stages?.fixed ?? []).flatMap(({ fan, joinsAtPct }, index): Problem[] => {
      const path = `stages.fixed.${index}`
      const before = index === 0 ? 0 : stages!.fixed[index - 1]!.joinsAtPct
      return [
        ...(fans.indexOf(fan) < fans.length - stages!.fixed.length + index
          ? [{ code: 'duplicate_id' as const, path: `${path}.fan`, what: 'fans', got: fan }]
          : []),
        ...(joinsAtPct <= before || joinsAtPct >= 100
          ? [
              {
                code: 'join_order' as const,
                path: `${path}.joinsAtPct`,
                fan,
                beforePct: before,
                gotPct: joinsAtPct,
              },
            ]
          : []),
      ]
    }),
    ...levels.flatMap((level, index): Problem[] =>
      index > 0 && level <= levels[index - 1]!
        ? [
            {
              code: 'order',
              path: `steps.levelsPct.${index}`,
              low: 'The level before',
              lowValue: levels[index - 1]!,
              high: 'this one',
              highValue: level,
              unit: '%',
            },
          ]
        : [],
    ),
  ]
}

function outputProblems(response: Response): Problem[] {
  const { otherOutputs = [] } = response
  const ids = otherOutputs.map(({ id }) => id)
  return otherOutputs.flatMap((output, index) => [
    ...(ids.indexOf(output.id) < index
      ? [{ code: 'duplicate_id' as const, path: `otherOutputs.${index}.id`, what: 'other outputs', got: output.id }]
      : []),
    ...output.onWhen.flatMap((condition, place) =>
      conditionProblems(response, condition, `otherOutputs.${index}.onWhen.${place}`),
    ),
    ...output.notWhile.flatMap((condition, place) =>
      conditionProblems(response, condition, `otherOutputs.${index}.notWhile.${place}`),
    ),
    ...(output.stopsFans && [...output.onWhen, ...output.notWhile].some(({ kind }) => kind === 'speed')
      ? [{ code: 'stop_by_speed' as const, path: `otherOutputs.${index}.stopsFans` }]
      : []),
  ])
}

/** Steps, skip bands, floor and ceiling that leave no speed at which the lead may run. */
function boundProblems(response: Response): Problem[] {
  const bounds = leadBounds(response)
  const { lowPct, highPct, bands } = bounds
  if (lowPct > highPct || bands.some(({ fromPct, toPct }) => !(fromPct < toPct))) return []
  if (!Number.isNaN(givableAbove(bounds, lowPct))) return []
  const { stepPct, levelsPct } = response.steps
  return [
    { code: 'no_speed_left', path: 'floor.speedPct', lowPct, highPct, stepPct, levelsPct: levelsPct ?? [], bands },
  ]
}

/** What stands beside the rules: combined inputs, modes, overrides, reductions, skip bands, stages, other outputs. */
export function checkParts(response: Response): Problem[] {
  const { heaterPurge, reductions = [], skipBands = [], rules } = response
  return [
    ...combinedProblems(response),
    ...modeProblems(response),
    ...holdProblems(response),
    ...(heaterPurge ? inputProblems(response, 'heaterPurge.input', heaterPurge.input, 'switch') : []),
    ...reductions.flatMap(({ input }, index) => inputProblems(response, `reductions.${index}.input`, input)),
    ...skipBands.flatMap(({ fromPct, toPct }, index): Problem[] =>
      fromPct < toPct
        ? []
        : [
            {
              code: 'order',
              path: `skipBands.${index}.fromPct`,
              low: 'The lower edge of a skip band',
              lowValue: fromPct,
              high: 'its upper edge',
              highValue: toPct,
              unit: '%',
            },
          ],
    ),
    ...rules.flatMap((rule, index) =>
      'setPoints' in rule
        ? (rule.setPoints ?? []).flatMap((point, place) => emptySpan(point, `rules.${index}.setPoints.${place}`))
        : [],
    ),
    ...seasonProblems(response),
    ...targetProblems(response),
    ...nightProblems(response),
    ...cutOutProblems(response),
    ...speedProblems(response),
    ...signalProblems(response),
    ...stageProblems(response),
    ...boundProblems(response),
    ...ruleConditionProblems(response),
    ...outputProblems(response),
  ]
}
