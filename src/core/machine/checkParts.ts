import type { Problem } from '@/core/json/problem'
import { isUpward } from '@/core/machine/past'
import { pointsOn } from '@/core/machine/pointsOn'
import { REFRIGERANTS } from '@/core/physics/saturation'
import { airShares } from '@/core/response/airShares'
import { givableAbove, leadBounds } from '@/core/machine/givable'
import type { Condition, Response, Stages } from '@/core/response/schema'
import { seasonProblems } from '@/core/response/yearSeasons'
import { targetProblems } from '@/core/response/targetProblems'
import { emptySpan } from '@/core/rules/weekSpan'
import { isMeasured } from '@/core/rules/input'

/** `got` must be an input, and of this sort where one is named. */
function inputProblems(response: Response, path: string, got: string, sort?: 'measured' | 'switch'): Problem[] {
  const input = response.inputs.find(({ id }) => id === got)
  if (!input) return [{ code: 'unknown_id', path, what: 'input', got, known: response.inputs.map(({ id }) => id) }]
  if (sort && (sort === 'switch') === isMeasured(input))
    return [
      {
        code: 'wrong_kind',
        path,
        what: `“${input.name}”`,
        got: input.kind,
        needs: sort === 'switch' ? 'switch' : 'measured input',
      },
    ]
  return []
}

function combinedProblems({ inputs, ...response }: Response): Problem[] {
  return inputs.flatMap((input, index) => {
    if (!isMeasured(input) || !input.combines) return []
    const { of } = input.combines
    const path = `inputs.${index}.combines.of`
    const later = of.filter((id) => inputs.findIndex((other) => other.id === id) >= index)
    return [
      ...of.flatMap((id, place) => inputProblems({ ...response, inputs }, `${path}.${place}`, id, 'measured')),
      ...later.map((id): Problem => ({
        code: 'made_of_later',
        path,
        got: id,
        name: input.name,
      })),
    ]
  })
}

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
  const { lead, followers, stages, steps } = response
  const fans = [lead, ...followers.map(({ fan }) => fan), ...(stages?.fixed ?? []).map(({ fan }) => fan)]
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

function conditionProblems(response: Response, condition: Condition, path: string): Problem[] {
  const { lead, followers, stages, overrides } = response
  switch (condition.kind) {
    case 'input':
    case 'lost':
      return inputProblems(response, `${path}.input`, condition.input, 'measured')
    case 'between': {
      const { input, from, to } = condition
      return [
        ...inputProblems(response, `${path}.input`, input, 'measured'),
        ...(from < to
          ? []
          : [
              {
                code: 'order' as const,
                path: `${path}.from`,
                low: 'The low end',
                lowValue: from,
                high: 'the high end',
                highValue: to,
                unit: '',
              },
            ]),
      ]
    }
    case 'drier':
      return drierProblems(response, condition, path)
    case 'season': {
      const known = (response.seasons ?? []).map(({ id }) => id)
      return known.includes(condition.season)
        ? []
        : [{ code: 'unknown_id', path: `${path}.season`, what: 'season', got: condition.season, known }]
    }
    case 'difference':
      return differenceProblems(response, condition, path)
    case 'switch':
      return inputProblems(response, `${path}.input`, condition.input, 'switch')
    case 'clock':
      return condition.spans.flatMap((span, index) => emptySpan(span, `${path}.spans.${index}`))
    case 'speed': {
      const known = [lead, ...followers.map(({ fan }) => fan), ...(stages?.fixed ?? []).map(({ fan }) => fan)]
      return known.includes(condition.fan)
        ? []
        : [{ code: 'unknown_id', path: `${path}.fan`, what: 'fan', got: condition.fan, known }]
    }
    case 'overheated':
      return overrides?.overheat ? [] : [{ code: 'no_overheat', path }]
  }
}

/** Temperatures and humidities, and not one place with itself. */
function drierProblems(response: Response, condition: Extract<Condition, { kind: 'drier' }>, path: string): Problem[] {
  const places = [
    ['input', 'temperature'],
    ['humidity', 'humidity'],
    ['outdoor', 'temperature'],
    ['outdoorHumidity', 'humidity'],
  ] as const
  return [
    ...places.flatMap(([key, kind]): Problem[] => {
      const found = response.inputs.find(({ id }) => id === condition[key])
      if (!found) return inputProblems(response, `${path}.${key}`, condition[key])
      return found.kind === kind
        ? []
        : [
            {
              code: 'wrong_kind',
              path: `${path}.${key}`,
              what: `“${found.name}”`,
              got: found.kind,
              needs: `${kind} input`,
            },
          ]
    }),
    ...(condition.input === condition.outdoor ? [{ code: 'same_input' as const, path: `${path}.outdoor` }] : []),
    ...(condition.humidity === condition.outdoorHumidity
      ? [{ code: 'same_input' as const, path: `${path}.outdoorHumidity` }]
      : []),
  ]
}

/** Two measured inputs of one kind, and not one with itself. */
function differenceProblems(
  response: Response,
  { input, minus }: Extract<Condition, { kind: 'difference' }>,
  path: string,
): Problem[] {
  const [one, other] = [input, minus].map((id) => response.inputs.find((found) => found.id === id))
  return [
    ...inputProblems(response, `${path}.input`, input, 'measured'),
    ...inputProblems(response, `${path}.minus`, minus, 'measured'),
    ...(one && other && one.kind !== other.kind
      ? [
          {
            code: 'wrong_kind' as const,
            path: `${path}.minus`,
            what: `“${other.name}”`,
            got: other.kind,
            needs: `${one.kind} input`,
          },
        ]
      : []),
    ...(input === minus ? [{ code: 'same_input' as const, path: `${path}.minus` }] : []),
  ]
}

/** What rules hang on. */
const ruleConditionProblems = (response: Response): Problem[] =>
  response.rules.flatMap(({ onlyWhile = [] }, index) =>
    onlyWhile.flatMap((condition, place) =>
      conditionProblems(response, condition, `rules.${index}.onlyWhile.${place}`),
    ),
  )

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

/** The limits of the night lie inside those of the day, and need a night. */
function nightProblems({ floor, ceiling, light, dayByWeek, stages }: Response): Problem[] {
  const order = (path: string, low: string, lowValue: number, high: string, highValue: number): Problem[] =>
    lowValue > highValue ? [{ code: 'order', path, low, lowValue, high, highValue, unit: '%' }] : []
  const [lowest, highest] = [floor.nightPct, ceiling.nightPct]
  if (lowest === undefined && highest === undefined) return []
  const floorPct = stages ? 0 : floor.speedPct
  return [
    ...(light || dayByWeek
      ? []
      : [{ code: 'no_night' as const, path: lowest === undefined ? 'ceiling.nightPct' : 'floor.nightPct' }]),
    ...order('floor.nightPct', 'The floor', floorPct, 'the floor of the night', lowest ?? floorPct),
    ...order(
      'floor.nightPct',
      'The floor of the night',
      lowest ?? floorPct,
      'the ceiling of the night',
      highest ?? ceiling.speedPct,
    ),
    ...order('ceiling.nightPct', 'The ceiling of the night', highest ?? 0, 'the ceiling', ceiling.speedPct),
  ]
}

/** A cut-out between floor and ceiling, of one fan that may stand. */
function cutOutProblems({ cutOut, floor, ceiling, stages }: Response): Problem[] {
  if (!cutOut) return []
  const order = (path: string, low: string, lowValue: number, high: string, highValue: number): Problem[] =>
    lowValue > highValue ? [{ code: 'order', path: `cutOut.${path}`, low, lowValue, high, highValue, unit: '%' }] : []
  return [
    ...(stages ? [{ code: 'cut_out_with_stages' as const, path: 'cutOut' }] : []),
    ...(floor.offAllowed ? [] : [{ code: 'cut_out_never_off' as const, path: 'cutOut' }]),
    ...order('offBelowPct', 'The cut-out', cutOut.offBelowPct, 'where it comes back', cutOut.backAtPct),
    ...order('backAtPct', 'Where it comes back', cutOut.backAtPct, 'the ceiling', ceiling.speedPct),
  ]
}

/** Named speeds rise, each inside its own range, and name followers that are there; stepping up needs some. */
function speedProblems(response: Response): Problem[] {
  const { speeds = [], stepUps = [], followers } = response
  const known = followers.map(({ fan }) => fan)
  const order = (path: string, low: string, lowValue: number, high: string, highValue: number): Problem[] =>
    lowValue > highValue ? [{ code: 'order', path, low, lowValue, high, highValue, unit: '%' }] : []
  return [
    ...speeds.flatMap(({ id, name, pct, fromPct = 0, toPct = 100, fans = [] }, index): Problem[] => {
      const path = `speeds.${index}`
      const before = speeds[index - 1]
      return [
        ...(speeds.findIndex((other) => other.id === id) < index
          ? [{ code: 'duplicate_id' as const, path: `${path}.id`, what: 'named speeds', got: id }]
          : []),
        ...(before && pct <= before.pct
          ? [
              {
                code: 'order' as const,
                path: `${path}.pct`,
                low: before.name,
                lowValue: before.pct,
                high: name,
                highValue: pct,
                unit: '%',
              },
            ]
          : []),
        ...order(`${path}.pct`, `The lowest of ${name}`, fromPct, name, pct),
        ...order(`${path}.pct`, name, pct, `the highest of ${name}`, toPct),
        ...fans.flatMap(({ fan }, place): Problem[] =>
          known.includes(fan)
            ? []
            : [{ code: 'unknown_id', path: `${path}.fans.${place}.fan`, what: 'follower', got: fan, known }],
        ),
      ]
    }),
    ...stepUps.flatMap(({ onlyWhile }, index) => [
      ...onlyWhile.flatMap((condition, place) =>
        conditionProblems(response, condition, `stepUps.${index}.onlyWhile.${place}`),
      ),
      ...(speeds.length === 0 ? [{ code: 'no_speeds' as const, path: `stepUps.${index}` }] : []),
    ]),
  ]
}

/** A signal of 0 to 10 V, its range and every point on it; a pressure with the name of a refrigerant. */
function signalProblems(response: Response): Problem[] {
  return response.inputs.flatMap((input, index): Problem[] => {
    if (!isMeasured(input)) return []
    const { refrigerant, lostBelow } = input
    const figures =
      input.kind === 'volts'
        ? ([
            ['from', input.from],
            ['to', input.to],
            ...(lostBelow === undefined ? [] : [['lostBelow', lostBelow] as const]),
          ] as const)
        : []
    return [
      ...figures.flatMap(([key, got]): Problem[] =>
        got < 0 || got > SIGNAL_V
          ? [{ code: 'outside_signal', path: `inputs.${index}.${key}`, name: input.name, got }]
          : [],
      ),
      ...(input.kind === 'volts'
        ? pointsOn(response, input.id).flatMap((got): Problem[] =>
            got < 0 || got > SIGNAL_V
              ? [{ code: 'outside_signal', path: `inputs.${index}`, name: input.name, got }]
              : [],
          )
        : []),
      ...(refrigerant !== undefined && input.kind !== 'pressure'
        ? [
            {
              code: 'wrong_kind' as const,
              path: `inputs.${index}.refrigerant`,
              what: `“${input.name}”`,
              got: input.kind,
              needs: 'pressure input',
            },
          ]
        : []),
      ...(refrigerant !== undefined && !(REFRIGERANTS as readonly string[]).includes(refrigerant)
        ? [
            {
              code: 'no_refrigerant' as const,
              path: `inputs.${index}.refrigerant`,
              got: refrigerant,
              known: REFRIGERANTS,
            },
          ]
        : []),
    ]
  })
}

/** The top of a control signal, V. */
const SIGNAL_V = 10

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
