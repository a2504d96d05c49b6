import type { Problem } from '@/core/json/problem'
import { givableAbove, leadBounds } from '@/core/machine/givable'
import type { Condition, Response } from '@/core/response/schema'
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

function stageProblems({ lead, followers, stages, steps }: Response): Problem[] {
  const fans = [lead, ...followers.map(({ fan }) => fan), ...(stages?.fixed ?? []).map(({ fan }) => fan)]
  const levels = steps.levelsPct ?? []
  return [
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
    ...stageProblems(response),
    ...boundProblems(response),
    ...ruleConditionProblems(response),
    ...outputProblems(response),
  ]
}
