import type { Signal } from '@/core/physics/signal'
import type { ControllerModel, Meaning, PartSetting } from '@/core/controller/schema'
import { ruleKindOf, slotKind } from '@/core/controller/slots/table'
import type { OtherOutput, Response } from '@/core/response/schema'
import type { ByAge } from '@/core/rules/byAge'
import type { ReadingCondition } from '@/core/rules/condition'
import { isMeasured } from '@/core/rules/input'
import { ruleInputId, type Rule } from '@/core/rules/table'

/** Which rule sits in which slot of a model, by kind; `leftOver` found no place. */
export type Assignment = {
  readonly inSlots: ReadonlyMap<Rule['kind'], readonly (Rule | null)[]>
  /** Rules of another kind that stand in for asked ones, by the id both have. */
  readonly replaced: readonly Rule[]
  readonly leftOver: readonly Rule[]
}

/** The nearest thing to a rule in other kinds of rule. A differential is a ramp over its band; a ramp is on from half its band up, off at
 *  its start; a rapid rise has nothing near it. Common practice, no source. */
function standIns(rule: Rule): Rule[] {
  const { id, off, note, modes, onlyWhile } = rule
  const common = {
    id,
    ...(off === undefined ? {} : { off }),
    ...(note ? { note } : {}),
    ...(modes ? { modes } : {}),
    ...(onlyWhile ? { onlyWhile } : {}),
    ...('target' in rule && rule.target !== undefined ? { target: rule.target } : {}),
  }
  if ('offAt' in rule && rule.onAt !== rule.offAt)
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
  if ('fullAt' in rule)
    return [
      {
        ...common,
        kind: 'differential',
        input: rule.input,
        action: rule.fullAt > rule.startAt ? 'direct' : 'reverse',
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

/** What the second fan may do while the first is at its floor, in the order in which a setting counts them. */
export const AT_LEAD_FLOOR = ['follow', 'floor', 'off'] as const

/** The first reading an output comes on by. */
const readingOf = (output: OtherOutput | undefined): ReadingCondition | undefined =>
  output?.onWhen.find((condition): condition is ReadingCondition => condition.kind === 'input')

const ageRule = (rules: readonly Rule[]): ByAge | undefined =>
  rules.find((rule): rule is ByAge => rule.kind === 'by-age' && !rule.off)

/** The contact that the `slot`-th switch rule of a response reads. */
function switchInput({ rules, inputs }: Response, slot: number) {
  const rule = rules.filter(({ kind, off }) => kind === 'switch' && !off)[slot - 1]
  const input = inputs.find(({ id }) => id === (rule && ruleInputId(rule)))
  return input && !isMeasured(input) ? input : undefined
}

type Wants = (response: Response, slot: number, model: ControllerModel) => number | null | undefined

/** What a response wants of the settings that belong to no rule. */
const PART_WANTS: Partial<Record<Meaning, Wants>> = {
  floor: ({ floor }) => floor.speedPct,
  ceiling: ({ ceiling }) => ceiling.speedPct,
  'follower.ratioPct': ({ followers }, slot) => followers[slot - 1] && followers[slot - 1]!.ratio * 100,
  'kick.speedPct': ({ startKick }) => startKick?.speedPct,
  'kick.holdS': ({ startKick }) => startKick?.holdS,
  // No run-on and no reduction are one of nothing.
  'finalRunOn.holdS': ({ finalRunOn }) => finalRunOn?.holdS ?? 0,
  'reduction.byPct': ({ reductions }, slot) => reductions?.[slot - 1]?.byPct ?? 0,
  'reduction.at': ({ reductions }, slot) => reductions?.[slot - 1]?.at,
  'heaterPurge.speedPct': ({ heaterPurge }) => heaterPurge?.speedPct,
  'heaterPurge.holdS': ({ heaterPurge }) => heaterPurge?.holdS,
  'light.level': ({ light }) => light?.level,
  'light.delayS': ({ light }) => light?.delayS,
  'skipBand.fromPct': ({ skipBands }, slot) => skipBands?.[slot - 1]?.fromPct,
  'skipBand.toPct': ({ skipBands }, slot) => skipBands?.[slot - 1]?.toPct,
  'stages.joinPct': ({ stages }, slot) => stages?.fixed[slot - 1]?.joinsAtPct,
  'stages.offBelowPct': ({ stages }) => stages?.offBelowPct,
  'stages.minStageS': ({ stages }) => stages?.minStageS,
  'input.offset': (response, slot, model) => {
    const input = modelInput(response, model, slot)
    return input && (input.offset ?? 0)
  },
  'lost.speedPct': (response, slot, model) => modelInput(response, model, slot)?.lostPct,
  'cutOut.offBelowPct': ({ cutOut }) => cutOut?.offBelowPct,
  'cutOut.backAtPct': ({ cutOut }) => cutOut?.backAtPct,
  'startTrim.signalPct': ({ startTrim }) => startTrim?.signalPct,
  'powerReturn.waitS': ({ powerReturn }) => powerReturn?.waitS,
  'night.floorPct': ({ floor }) => floor.nightPct,
  'night.ceilingPct': ({ ceiling }) => ceiling.nightPct,
  'target.at': ({ targets }, slot) => targets?.[slot - 1]?.at,
  'target.nightAt': ({ targets }, slot) =>
    targets?.[slot - 1]?.changes?.find(({ mode, season, spans }) => mode === 'night' && season === undefined && !spans)
      ?.at,
  'season.now': ({ seasons = [], seasonNow }) => {
    const place = seasons.findIndex(({ id }) => id === seasonNow)
    return place < 0 ? null : place + 1
  },
  'named.speedPct': ({ speeds }, slot) => speeds?.[slot - 1]?.pct,
  'named.followerPct': ({ speeds, followers }, slot) =>
    speeds?.[slot - 1]?.fans?.find(({ fan }) => fan === followers[0]?.fan)?.pct,
  'stepUp.by': ({ stepUps }, slot) => stepUps?.[slot - 1]?.by,
  'byAge.speedPct': ({ rules }, slot) => ageRule(rules)?.rows[slot - 1]?.speedPct,
  'byAge.day': ({ rules }, slot) => ageRule(rules)?.rows[slot - 1]?.day,
  'output.at': ({ otherOutputs }, slot) => readingOf(otherOutputs?.[slot - 1])?.at,
  'output.overTarget': ({ otherOutputs, targets }, slot) => {
    const reading = readingOf(otherOutputs?.[slot - 1])
    const at = targets?.find(({ id }) => id === reading?.target)?.at
    return reading && at !== undefined ? reading.at - at : null
  },
  'output.barUnderTarget': ({ otherOutputs, targets }, slot) => {
    const output = otherOutputs?.[slot - 1]
    const bar = output?.notWhile.find((condition) => condition.kind === 'input' && condition.target !== undefined)
    const at = bar?.kind === 'input' ? targets?.find(({ id }) => id === bar.target)?.at : undefined
    return bar?.kind === 'input' && at !== undefined ? at - bar.at : output && 0
  },
  'output.release': ({ otherOutputs }, slot) => readingOf(otherOutputs?.[slot - 1])?.release,
  'output.delayS': ({ otherOutputs }, slot) => otherOutputs?.[slot - 1]?.delayS,
  'output.holdS': ({ otherOutputs }, slot) => {
    const output = otherOutputs?.[slot - 1]
    return output && (output.holdS ?? 0)
  },
  'output.level': ({ otherOutputs }, slot) => otherOutputs?.[slot - 1]?.level,
  'switch.contact': (response, slot) => {
    const input = switchInput(response, slot)
    return input && (input.contact === 'opens' ? 1 : 0)
  },
  'follower.floorPct': ({ followers }, slot) => followers[slot - 1]?.floorPct,
  'follower.atLeadFloor': ({ followers }, slot) => {
    const follower = followers[slot - 1]
    return follower && AT_LEAD_FLOOR.indexOf(follower.atLeadFloor)
  },
  'stages.joinAt': ({ stages }, slot) => stages?.fixed[slot - 1]?.joinsWhile?.at,
  'stages.inletPct': ({ stages }, slot) => stages?.inletPct?.[slot - 1],
  'steps.stepPct': ({ steps }) => steps.stepPct,
  'scan.everyS': ({ scanS }) => scanS,
  'rate.upPctPerS': ({ rate }) => rate?.upPctPerS,
  'rate.downPctPerS': ({ rate }) => rate?.downPctPerS,
  'overheat.onAt': ({ overrides }) => overrides?.overheat?.onAt,
  'overheat.offBelow': ({ overrides }) => overrides?.overheat?.offBelow,
  'test.speedPct': ({ overrides }) => overrides?.test?.speedPct,
  'input.lostBelow': (response, slot, model) => modelInput(response, model, slot)?.lostBelow,
  'input.used': (response, slot, model) => (modelInput(response, model, slot) ? 1 : 0),
}

/** What an output may give, in the order in which a setting counts them. */
const OUTPUT_TYPES = ['ten', 'two-to-ten', 'ten-cut-off', 'pwm', 'pwm-inverted'] as const

/** The type of output that the lead takes, as a setting counts it; null where nobody said, or where it is none of these. */
export function outputTypeOf(signal: Signal | undefined): number | null {
  if (signal?.kind === 'volts') return OUTPUT_TYPES.indexOf(signal.convention)
  return signal?.kind === 'pwm' ? OUTPUT_TYPES.indexOf(signal.inverted ? 'pwm-inverted' : 'pwm') : null
}

/** The value a response wants of a setting; null when nothing in the response speaks of it.
 *  @param chosen what settings of the same slot were put to before */
export function wantedValue(
  { means, slot }: PartSetting,
  response: Response,
  model: ControllerModel,
  { inSlots }: Assignment,
  chosen: (means: Meaning) => number | undefined,
): number | null {
  const kind = ruleKindOf(means)
  if (!kind) return PART_WANTS[means]?.(response, slot, model) ?? null
  const rule = inSlots.get(kind)?.[slot - 1]
  return rule ? (slotKind(kind).wants[means]?.(rule, slotKind(kind).slots(model)[slot - 1], chosen) ?? null) : null
}

/** The measured input of a response that is read by a model's `slot`-th input: the first of its kind not read by one before. */
function modelInput(response: Response, { inputs = [] }: ControllerModel, slot: number) {
  const own = inputs[slot - 1]
  if (!own) return undefined
  const before = inputs.slice(0, slot - 1).filter(({ kind }) => kind === own.kind).length
  const ofKind = response.inputs.filter(({ kind }) => kind === own.kind)
  const input = ofKind[before]
  return input && input.kind !== 'switch' ? input : undefined
}
