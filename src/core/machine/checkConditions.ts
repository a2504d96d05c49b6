import type { Problem } from '@/core/json/problem'
import { fanIdsOf } from '@/core/response/fanIds'
import type { Condition, Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
import { emptySpan } from '@/core/rules/weekSpan'

/** `got` must be an input, and of this sort where one is named. */
export function inputProblems(response: Response, path: string, got: string, sort?: 'measured' | 'switch'): Problem[] {
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

/** What a condition names that is not there, or not of the kind it needs. */
export function conditionProblems(response: Response, condition: Condition, path: string): Problem[] {
  const { overrides } = response
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
      const known = fanIdsOf(response)
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
export const ruleConditionProblems = (response: Response): Problem[] =>
  response.rules.flatMap(({ onlyWhile = [] }, index) =>
    onlyWhile.flatMap((condition, place) =>
      conditionProblems(response, condition, `rules.${index}.onlyWhile.${place}`),
    ),
  )
