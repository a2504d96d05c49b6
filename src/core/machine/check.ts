import { valueAt } from '@/core/json/path'
import type { Problem } from '@/core/json/problem'
import { checkParts } from '@/core/machine/checkParts'
import { quantitySpec, type Quantity } from '@/core/quantity/units'
import type { Response } from '@/core/response/schema'
import { ruleKind } from '@/core/rules/table'

const inputUnit = (kind: Quantity): string => quantitySpec(kind).units[0].symbol

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
  if (!response.stages && floor.speedPct > ceiling.speedPct)
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
        code: 'order',
        path: `inputs.${index}.to`,
        low: `The low end of the range of ${input.name}`,
        lowValue: input.from,
        high: 'its high end',
        highValue: input.to,
        unit: inputUnit(input.kind),
      })
  })
  rules.forEach((rule, index) => {
    const path = `rules.${index}`
    const kind = ruleKind(rule)
    for (const at of kind.inputs(rule)) problems.push(...unknownInput(`${path}.${at}`, String(valueAt(rule, at))))
    problems.push(...kind.check(rule, { response, path }))
  })
  followers.forEach((follower, index) => {
    if (follower.fan === response.lead)
      problems.push({
        code: 'follows_itself',
        path: `followers.${index}.fan`,
        fan: follower.fan,
      })
  })
  problems.push(...checkParts(response))
  return problems
}
