import { freeId } from '@/core/json/freeId'
import { putAt, valueAt } from '@/core/json/path'
import { conditionInputPlaces } from '@/core/rules/condition'
import type { Response } from '@/core/response/schema'
import type { Input, MeasuredInput } from '@/core/rules/input'
import { ruleInputIds, withInputs } from '@/core/rules/table'

const isRead = (input: Input): boolean => input.kind === 'switch' || !input.combines

/** What the rules answer to comes first: where several probes make one input, that one governs. */
const governingFirst = ({ inputs, rules }: Response): readonly Input[] => {
  const governs = ({ id }: Input) => rules.some((rule) => ruleInputIds(rule).includes(id))
  return [...inputs.filter(governs), ...inputs.filter((input) => !governs(input))]
}

/** Puts ids in the place of others wherever the response speaks of inputs. */
function renamed(response: Response, nameOf: (id: string) => string): Response {
  const overrides = response.overrides
  const conditions = <C extends { kind: string }>(list: readonly C[]): C[] =>
    list.map((condition) => {
      const named = structuredClone(condition)
      for (const at of conditionInputPlaces(condition)) putAt(named, at, nameOf(String(valueAt(condition, at))))
      return named
    })
  return {
    ...response,
    inputs: response.inputs.map((input) => ({
      ...input,
      id: nameOf(input.id),
      ...(input.kind !== 'switch' && input.combines
        ? { combines: { ...input.combines, of: input.combines.of.map(nameOf) } }
        : {}),
    })),
    rules: response.rules.map((rule) => withInputs(rule, nameOf)),
    ...(response.light ? { light: { ...response.light, input: nameOf(response.light.input) } } : {}),
    ...(response.heaterPurge
      ? { heaterPurge: { ...response.heaterPurge, input: nameOf(response.heaterPurge.input) } }
      : {}),
    ...(response.reductions
      ? { reductions: response.reductions.map((reduction) => ({ ...reduction, input: nameOf(reduction.input) })) }
      : {}),
    ...(overrides
      ? {
          overrides: {
            ...(overrides.isolated === undefined ? {} : { isolated: nameOf(overrides.isolated) }),
            ...(overrides.safetyStop === undefined ? {} : { safetyStop: nameOf(overrides.safetyStop) }),
            ...(overrides.overheat
              ? { overheat: { ...overrides.overheat, input: nameOf(overrides.overheat.input) } }
              : {}),
            ...(overrides.test ? { test: { ...overrides.test, input: nameOf(overrides.test.input) } } : {}),
          },
        }
      : {}),
    ...(response.stepUps
      ? {
          stepUps: response.stepUps.map((stepUp) => ({ ...stepUp, onlyWhile: conditions(stepUp.onlyWhile) })),
        }
      : {}),
    ...(response.stages
      ? {
          stages: {
            ...response.stages,
            fixed: response.stages.fixed.map((join) =>
              join.joinsWhile ? { ...join, joinsWhile: conditions([join.joinsWhile])[0]! } : join,
            ),
          },
        }
      : {}),
    ...(response.otherOutputs
      ? {
          otherOutputs: response.otherOutputs.map((output) => ({
            ...output,
            onWhen: conditions(output.onWhen),
            notWhile: conditions(output.notWhile),
          })),
        }
      : {}),
  }
}

/** The name here of each input of another response: the same id and kind, else the first of its kind that is still free, else its own. */
function nameHere(own: readonly Input[], others: readonly Input[]): Record<string, string> {
  const names: Record<string, string> = {}
  const taken = new Set<string>()
  const take = (other: Input, id: string) => {
    names[other.id] = id
    taken.add(id)
  }
  for (const other of others)
    if (own.some(({ id, kind }) => id === other.id && kind === other.kind)) take(other, other.id)
  for (const other of others) {
    if (names[other.id] !== undefined) continue
    const free = isRead(other) ? own.find((input) => input.kind === other.kind && !taken.has(input.id)) : undefined
    take(other, free?.id ?? freeId([...own.map(({ id }) => id), ...taken], other.id))
  }
  return names
}

/** What a probe here is stays: its name, range and offset; only what it does when lost is taken over. */
function kept(here: Input | undefined, other: Input): Input {
  if (!here || here.kind === 'switch' || other.kind === 'switch') return here ?? other
  const { lostPct: _own, ...own } = here
  const taken: MeasuredInput = { ...own, ...(other.lostPct === undefined ? {} : { lostPct: other.lostPct }) }
  return other.combines ? { ...taken, combines: other.combines } : taken
}

/** Another response carried over to these inputs and fans: its inputs become the ones here of the same kind, its lead the one here; fans
 *  that follow or join stay only as far as there are fans for them. Inputs that only this one has stay, so that no probe loses its
 *  input. Reasons of a floor and skip bands belong to a fan, not to a response: the other’s do not come along. */
export function adopt(own: Response, other: Response, fanIds: readonly string[]): Response {
  const names = nameHere(governingFirst(own), other.inputs)
  const moved = renamed(other, (id) => names[id] ?? id)
  const free = fanIds.filter((id) => id !== own.lead)
  const followers = moved.followers.slice(0, free.length).map((follower, index) => ({ ...follower, fan: free[index]! }))
  const rest = free.slice(followers.length)
  const fixed = (moved.stages?.fixed ?? []).slice(0, rest.length).map((join, index) => ({ ...join, fan: rest[index]! }))
  const outputs = (moved.otherOutputs ?? []).flatMap((output) => {
    const fanNames = new Map<string, string>([
      [other.lead, own.lead],
      ...other.followers.map(({ fan }, index) => [fan, followers[index]?.fan ?? ''] as const),
      ...(other.stages?.fixed ?? []).map(({ fan }, index) => [fan, fixed[index]?.fan ?? ''] as const),
    ])
    const carried = <C extends { kind: string }>(list: readonly C[]): C[] =>
      list.flatMap((condition) => {
        if (!('fan' in condition)) return [condition]
        const fan = fanNames.get(String(condition.fan)) ?? ''
        return fan === '' ? [] : [{ ...condition, fan }]
      })
    const onWhen = carried(output.onWhen)
    return onWhen.length === 0 ? [] : [{ ...output, onWhen, notWhile: carried(output.notWhile) }]
  })
  const speeds = moved.speeds?.map(({ fans = [], ...speed }) => {
    const here = fans.flatMap(({ fan, pct }) => {
      const own = followers[other.followers.findIndex((follower) => follower.fan === fan)]
      return own ? [{ fan: own.fan, pct }] : []
    })
    return here.length > 0 ? { ...speed, fans: here } : speed
  })
  const {
    stages,
    speeds: _speeds,
    otherOutputs: _outputs,
    switchedOff: _switchedOff,
    notes: _notes,
    skipBands: _skipBands,
    ...carried
  } = moved
  const movedIds = moved.inputs.map(({ id }) => id)
  const all = [
    ...own.inputs.filter(({ id }) => !movedIds.includes(id)),
    ...moved.inputs.map((input) =>
      kept(
        own.inputs.find(({ id }) => id === input.id),
        input,
      ),
    ),
  ]
  return {
    ...carried,
    lead: own.lead,
    floor: { ...carried.floor, reasons: [] },
    ...(own.skipBands ? { skipBands: own.skipBands } : {}),
    inputs: [...all.filter(isRead), ...all.filter((input) => !isRead(input))],
    followers,
    ...(speeds ? { speeds } : {}),
    ...(stages && fixed.length > 0
      ? {
          stages: {
            ...stages,
            fixed,
            ...(stages.inletPct ? { inletPct: stages.inletPct.slice(0, fixed.length + 1) } : {}),
          },
        }
      : {}),
    ...(outputs.length > 0 ? { otherOutputs: outputs } : {}),
  }
}
