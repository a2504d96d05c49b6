import { valueAt } from '@/core/json/path'
import type { Condition, OtherOutput, Response } from '@/core/response/schema'
import { conditionInputPlaces } from '@/core/rules/condition'
import { isMeasured, type Input } from '@/core/rules/input'
import { ruleInputIds } from '@/core/rules/table'

/** A response from which some inputs are left out as if they had never been there, with all that hangs on them alone: a probe of several is
 *  left out of what they make together, a rule on it never asks, and it is not lost. */
export function withoutInputs(response: Response, ids: readonly string[]): Response {
  if (ids.length === 0) return response
  const gone = new Set(ids)
  const inputs: Input[] = []
  for (const input of response.inputs) {
    if (gone.has(input.id)) continue
    if (!isMeasured(input) || !input.combines) {
      inputs.push(input)
      continue
    }
    const { how } = input.combines
    const of = input.combines.of.filter((id) => !gone.has(id))
    if (of.length === 0 || (how === 'difference' && of.length < input.combines.of.length)) gone.add(input.id)
    else inputs.push({ ...input, combines: { how, of } })
  }
  const isThere = (id: string | null | undefined): boolean => id == null || !gone.has(id)
  const stands = (condition: Condition): boolean =>
    conditionInputPlaces(condition).every((at) => isThere(String(valueAt(condition, at))))
  const {
    overrides,
    light,
    heaterPurge,
    reductions,
    otherOutputs,
    stepUps,
    stages,
    switchedOff: _switchedOff,
    ...rest
  } = response
  const overheat = overrides?.overheat && isThere(overrides.overheat.input) ? overrides.overheat : undefined
  const outputs = otherOutputs?.flatMap((output): OtherOutput[] => {
    const onWhen = output.onWhen
      .filter(stands)
      .filter((condition) => condition.kind !== 'overheated' || overheat !== undefined)
    return onWhen.length === 0 ? [] : [{ ...output, onWhen, notWhile: output.notWhile.filter(stands) }]
  })
  return {
    ...rest,
    inputs,
    rules: response.rules.filter((rule) => ruleInputIds(rule).every(isThere)),
    ...(stepUps ? { stepUps: stepUps.filter(({ onlyWhile }) => onlyWhile.every(stands)) } : {}),
    ...(stages && stages.fixed.every(({ joinsWhile }) => !joinsWhile || stands(joinsWhile)) ? { stages } : {}),
    ...(light && isThere(light.input) ? { light } : {}),
    ...(heaterPurge && isThere(heaterPurge.input) ? { heaterPurge } : {}),
    ...(reductions ? { reductions: reductions.filter(({ input }) => isThere(input)) } : {}),
    ...(outputs ? { otherOutputs: outputs } : {}),
    ...(overrides
      ? {
          overrides: {
            ...(overrides.isolated !== undefined && isThere(overrides.isolated)
              ? { isolated: overrides.isolated }
              : {}),
            ...(overrides.safetyStop !== undefined && isThere(overrides.safetyStop)
              ? { safetyStop: overrides.safetyStop }
              : {}),
            ...(overheat ? { overheat } : {}),
            ...(overrides.test && isThere(overrides.test.input) ? { test: overrides.test } : {}),
          },
        }
      : {}),
  }
}
