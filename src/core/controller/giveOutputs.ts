import { carried } from '@/core/controller/giveTargets'
import { given, givenList, type Given } from '@/core/controller/given'
import type { ControllerModel, Meaning } from '@/core/controller/schema'
import type { Condition, OtherOutput, Response } from '@/core/response/schema'
import type { Target } from '@/core/response/target'

type ValueOf = (means: Meaning, slot: number) => number | undefined

/** The targets as the controller has them, and as they were asked. */
type Both = { readonly kept: readonly Target[] | undefined; readonly asked: readonly Target[] | undefined }

const targetAt = (targets: readonly Target[] | undefined, id: string | undefined): number | undefined =>
  targets?.find((target) => target.id === id)?.at

/** Its first reading at the point the controller is put to, by itself or so far over its target. */
function pointed(conditions: readonly Condition[], slot: number, { kept, asked }: Both, valueOf: ValueOf): Condition[] {
  const first = conditions.findIndex(({ kind }) => kind === 'input')
  return conditions.map((condition, index) => {
    const free = carried(condition, kept, asked)
    if (free.kind !== 'input') return free
    if (index !== first) return free
    const over = valueOf('output.overTarget', slot)
    const at = targetAt(kept, free.target)
    return {
      ...free,
      at: over !== undefined && at !== undefined ? at + over : (valueOf('output.at', slot) ?? free.at),
      release: valueOf('output.release', slot) ?? free.release,
    }
  })
}

/** What bars it: so far under the target, or not at all where the controller is put to 0. */
function barred(conditions: readonly Condition[], slot: number, { kept, asked }: Both, valueOf: ValueOf): Condition[] {
  const under = valueOf('output.barUnderTarget', slot)
  const tied = conditions.findIndex((condition) => condition.kind === 'input' && condition.target !== undefined)
  return conditions.flatMap((condition, index): Condition[] => {
    const free = carried(condition, kept, asked)
    if (under === undefined || index !== tied || free.kind !== 'input') return [free]
    const at = targetAt(kept, free.target)
    return under === 0 ? [] : [{ ...free, at: at === undefined ? free.at : at - under }]
  })
}

function giveOutput(
  output: OtherOutput,
  slot: number,
  { abilities = {} }: ControllerModel,
  targets: Both,
  valueOf: ValueOf,
): Given<OtherOutput[]> {
  if (!abilities.otherOutputs?.includes(output.kind)) return given([], { kind: 'output-left-out', name: output.name })
  const { holdS: askedHoldS, stopsFans, level, ...plain } = output
  const holdS = valueOf('output.holdS', slot) ?? (abilities.outputTimes ? askedHoldS : undefined)
  const stops = (stopsFans ?? false) && (abilities.stopsFans ?? false)
  return given(
    [
      {
        ...plain,
        onWhen: pointed(output.onWhen, slot, targets, valueOf),
        notWhile: barred(output.notWhile, slot, targets, valueOf),
        delayS: valueOf('output.delayS', slot) ?? output.delayS,
        ...(holdS === undefined || holdS === 0 ? {} : { holdS }),
        ...(level === undefined ? {} : { level: valueOf('output.level', slot) ?? level }),
        ...(stops ? { stopsFans: true } : {}),
      },
    ],
    askedHoldS !== undefined &&
      holdS === undefined && { kind: 'part-left-out', part: 'output-time', name: output.name },
    stopsFans === true && !stops && { kind: 'part-left-out', part: 'stops-fans', name: output.name },
  )
}

/** Dampers, alarms, heaters and the like as the controller has them. */
export function giveOutputs(
  { otherOutputs = [], targets: asked }: Response,
  model: ControllerModel,
  kept: readonly Target[] | undefined,
  valueOf: ValueOf,
): Given<OtherOutput[] | undefined> {
  const outputs = givenList(
    otherOutputs.map((output, index) => giveOutput(output, index + 1, model, { kept, asked }, valueOf)),
  )
  const list = outputs.value.flat()
  return { ...outputs, value: list.length > 0 ? list : undefined }
}
