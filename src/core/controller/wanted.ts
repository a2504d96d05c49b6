import type { ControllerModel, Setting } from '@/core/controller/schema'
import { ruleKindOf, slotKind } from '@/core/controller/slots/table'
import type { Response, Rule } from '@/core/response/schema'

/** Which rule sits in which slot of a model, by kind; `leftOver` found no place. */
export type Assignment = {
  readonly inSlots: ReadonlyMap<Rule['kind'], readonly (Rule | null)[]>
  /** Rules of another kind that stand in for asked ones, by the id both have. */
  readonly replaced: readonly Rule[]
  readonly leftOver: readonly Rule[]
}

/** The nearest thing to a rule in other kinds of rule. A differential is a ramp over its band; a ramp is on from half its band up, off at
 *  its start; a surge has nothing near it. Common practice, no source. */
export function standIns(rule: Rule): Rule[] {
  const { id, off, note, modes } = rule
  const common = { id, ...(off === undefined ? {} : { off }), ...(note ? { note } : {}), ...(modes ? { modes } : {}) }
  if (rule.kind === 'differential' && rule.onAt !== rule.offAt)
    return [
      {
        ...common,
        kind: 'ramp',
        input: rule.input,
        startAt: rule.offAt,
        fullAt: rule.onAt,
        fromPct: 0,
        toPct: rule.speedPct,
        below: 'nothing',
      },
    ]
  if (rule.kind === 'ramp')
    return [
      {
        ...common,
        kind: 'differential',
        input: rule.input,
        sense: rule.fullAt > rule.startAt ? 'cooling' : 'heating',
        onAt: (rule.startAt + rule.fullAt) / 2,
        offAt: rule.startAt,
        speedPct: rule.toPct,
        minOnS: 0,
        minOffS: 0,
      },
    ]
  return []
}

/** Rules take the first free slot of their kind that can hold them, in the order in which they stand; what is then left takes a slot of
 *  the nearest kind. */
export function assign(response: Response, model: ControllerModel): Assignment {
  const inSlots = new Map<Rule['kind'], (Rule | null)[]>()
  const place = (rule: Rule): boolean => {
    const kind = slotKind(rule.kind)
    const slots = kind.slots(model)
    const taken = inSlots.get(rule.kind) ?? slots.map(() => null)
    inSlots.set(rule.kind, taken)
    const index = slots.findIndex((slot, at) => taken[at] === null && kind.takes(slot, rule, response))
    if (index < 0) return false
    taken[index] = rule
    return true
  }
  const unplaced = response.rules.filter((rule) => !rule.off && !place(rule))
  const replaced: Rule[] = []
  const leftOver: Rule[] = []
  for (const rule of unplaced) {
    const standIn = standIns(rule).find(place)
    if (standIn) replaced.push(standIn)
    else leftOver.push(rule)
  }
  return { inSlots, replaced, leftOver }
}

/** The joins of a ladder of `count` fixed fans of one size with a variable one. */
export const equalJoins = (count: number): number[] =>
  Array.from({ length: count }, (_, index) => (100 * (index + 1)) / (count + 1))

/** The value a response wants of a setting; null when nothing in the response speaks of it.
 *  @param chosen what settings of the same slot were put to before */
export function wantedValue(
  setting: Setting,
  response: Response,
  model: ControllerModel,
  { inSlots }: Assignment,
  chosen: (means: Setting['means']) => number | undefined,
): number | null {
  const { means, slot } = setting
  const kind = ruleKindOf(means)
  if (kind) {
    const rule = inSlots.get(kind)?.[slot - 1]
    return rule ? slotKind(kind).wants(means, rule, slotKind(kind).slots(model)[slot - 1], chosen) : null
  }
  const { floor, ceiling, followers, startKick, runOn, coolDown, light, reductions, restBands, stages } = response
  switch (means) {
    case 'floor':
      return floor.speedPct
    case 'ceiling':
      return ceiling.speedPct
    case 'follower.ratioPct':
      return followers[slot - 1] ? followers[slot - 1]!.ratio * 100 : null
    case 'kick.speedPct':
      return startKick?.speedPct ?? null
    case 'kick.holdS':
      return startKick?.holdS ?? null
    case 'runOn.holdS':
      return runOn?.holdS ?? 0
    case 'coolDown.speedPct':
      return coolDown?.speedPct ?? null
    case 'coolDown.holdS':
      return coolDown?.holdS ?? null
    case 'light.level':
      return light?.level ?? null
    case 'light.delayS':
      return light?.delayS ?? null
    case 'reduction.at':
      return reductions?.[slot - 1]?.at ?? null
    case 'reduction.byPct':
      return reductions?.[slot - 1]?.byPct ?? 0
    case 'restBand.fromPct':
      return restBands?.[slot - 1]?.fromPct ?? null
    case 'restBand.toPct':
      return restBands?.[slot - 1]?.toPct ?? null
    case 'stages.joinPct':
      return stages?.fixed[slot - 1]?.joinsAtPct ?? null
    case 'stages.offBelowPct':
      return stages?.offBelowPct ?? null
    case 'stages.minStageS':
      return stages?.minStageS ?? null
    case 'input.offset': {
      const input = modelInput(response, model, slot)
      return input ? (input.offset ?? 0) : null
    }
    case 'lost.speedPct':
      return modelInput(response, model, slot)?.lostPct ?? null
    default:
      return null
  }
}

/** The measured input of a response that is read by a model's `slot`-th input: the first of its kind not read by one before. */
export function modelInput(response: Response, { inputs = [] }: ControllerModel, slot: number) {
  const own = inputs[slot - 1]
  if (!own) return undefined
  const before = inputs.slice(0, slot - 1).filter(({ kind }) => kind === own.kind).length
  const ofKind = response.inputs.filter(({ kind }) => kind === own.kind)
  const input = ofKind[before]
  return input && input.kind !== 'switch' ? input : undefined
}
