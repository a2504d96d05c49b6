import type { Problem } from '@/core/problem'
import { ruleInputId } from '@/core/response/rules/kind'
import { ruleKind } from '@/core/response/rules/table'
import type { Response } from '@/core/response/schema'

function duplicates(path: string, what: string, ids: readonly string[]): Problem[] {
  return ids.flatMap((id, index) =>
    ids.indexOf(id) < index ? [{ code: 'duplicate_id' as const, path: `${path}.${index}.id`, what, got: id }] : [],
  )
}

/** Everything wrong with a response of the right shape, at once. */
export function checkResponse(response: Response): Problem[] {
  const { floor, ceiling, startKick, inputs, rules, followers } = response
  const inputIds = inputs.map(({ id }) => id)
  const problems: Problem[] = [
    ...duplicates('inputs', 'inputs', inputIds),
    ...duplicates(
      'rules',
      'rules',
      rules.map(({ id }) => id),
    ),
  ]
  if (floor.speedPct > ceiling.speedPct)
    problems.push({
      code: 'order',
      path: 'floor.speedPct',
      low: 'The floor',
      lowValue: floor.speedPct,
      high: 'the ceiling',
      highValue: ceiling.speedPct,
      unit: '%',
    })
  if (startKick && startKick.speedPct < floor.speedPct)
    problems.push({
      code: 'order',
      path: 'startKick.speedPct',
      low: 'The floor',
      lowValue: floor.speedPct,
      high: 'the start kick',
      highValue: startKick.speedPct,
      unit: '%',
    })
  const unknownInput = (path: string, got: string): Problem[] =>
    inputIds.includes(got) ? [] : [{ code: 'unknown_id', path, what: 'input', got, known: inputIds }]
  inputs.forEach((input, index) => {
    if (input.kind !== 'switch' && !(input.from < input.to))
      problems.push({
        code: 'empty_band',
        path: `inputs.${index}.to`,
        what: `The range of ${input.name}`,
        at: input.from,
      })
  })
  rules.forEach((rule, index) => {
    const path = `rules.${index}`
    const inputId = ruleInputId(rule)
    if (inputId !== null) problems.push(...unknownInput(`${path}.input`, inputId))
    problems.push(...ruleKind(rule).check(rule, { response, path }))
  })
  followers.forEach((follower, index) => {
    if (follower.fan === response.lead)
      problems.push({
        code: 'said',
        path: `followers.${index}.fan`,
        text: `“${follower.fan}” leads; a fan cannot follow itself.`,
      })
  })
  problems.push(...checkParts(response, unknownInput))
  return problems
}

/** What stands beside the rules: combined inputs, light, holds, reductions, rest bands. */
function checkParts(
  { inputs, light, holds, coolDown, reductions = [], restBands = [] }: Response,
  unknownInput: (path: string, got: string) => Problem[],
): Problem[] {
  return [
    ...inputs.flatMap((input, index) => {
      if (input.kind === 'switch' || !input.combines) return []
      const { of } = input.combines
      const path = `inputs.${index}.combines.of`
      const later = of.filter((id) => inputs.findIndex((other) => other.id === id) >= index)
      return [
        ...of.flatMap((id, place) => unknownInput(`${path}.${place}`, id)),
        ...later.map((id): Problem => ({
          code: 'said',
          path,
          text: `“${id}” must stand before “${input.name}”, which is made of it.`,
        })),
      ]
    }),
    ...(light ? unknownInput('light.input', light.input) : []),
    ...(coolDown ? unknownInput('coolDown.input', coolDown.input) : []),
    ...Object.entries(holds ?? {}).flatMap(([key, id]) => unknownInput(`holds.${key}`, id)),
    ...reductions.flatMap(({ input }, index) => unknownInput(`reductions.${index}.input`, input)),
    ...restBands.flatMap(({ fromPct, toPct }, index): Problem[] =>
      fromPct < toPct
        ? []
        : [
            {
              code: 'order',
              path: `restBands.${index}.fromPct`,
              low: 'The lower edge of a rest band',
              lowValue: fromPct,
              high: 'its upper edge',
              highValue: toPct,
              unit: '%',
            },
          ],
    ),
  ]
}
