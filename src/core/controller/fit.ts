import { chooseSettings } from '@/core/controller/chooseSettings'
import { carried, freed } from '@/core/controller/giveTargets'
import { withCutOut, withNightLimits } from '@/core/controller/giveSpeeds'
import { given, givenList, made, type Given } from '@/core/controller/given'
import { giveBounds } from '@/core/controller/giveBounds'
import { giveParts } from '@/core/controller/giveParts'
import type { Loss } from '@/core/controller/loss'
import { measureCurve } from '@/core/controller/measureLoss'
import { prepareAsked } from '@/core/controller/prepareAsked'
import { nearestValue } from '@/core/controller/nearestValue'
import { safeSide, type Place } from '@/core/controller/safeSide'
import type { ControllerModel, Meaning, SettingValue } from '@/core/controller/schema'
import { setPointFigure } from '@/core/controller/setPointFigure'
import { slotKind } from '@/core/controller/slots/table'
import { giveSetPoints } from '@/core/controller/slots/weekSlot'
import { assign, type Assignment } from '@/core/controller/wanted'
import type { Response } from '@/core/response/schema'
import type { Rule } from '@/core/rules/table'

export type Fit = {
  readonly settings: readonly SettingValue[]
  readonly given: Response
  readonly losses: readonly Loss[]
}

/** Differences too small to hear (points): not worth a word. */
const SMALLEST_PCT = 0.5

/** The set points of a calendar belong to the first differential, or the first ramp where there is none. */
function withSetPoints(
  rule: Rule,
  rules: readonly Rule[],
  model: ControllerModel,
  assignment: Assignment,
  place: Place,
): Given<Rule> {
  if (!('onAt' in rule) && !('fullAt' in rule)) return given(rule)
  const bearer = rules.find((held) => 'onAt' in held) ?? rules.find((held) => 'fullAt' in held)
  const slot = bearer?.id === rule.id ? model.weeks?.find(({ of }) => of === 'set-point') : undefined
  const { setPoints: asked, ...without } = rule
  const { setting, offset } = setPointFigure(rule, model, assignment)
  const nearest = (at: number): number => {
    if (!setting) return at
    const { towards } = safeSide(setting.means, place, slotKind(rule.kind).lowerIsMore(rule))
    return Number((nearestValue(setting, at + offset, towards) - offset).toFixed(6))
  }
  return made(giveSetPoints(asked, slot, rule.id, nearest), (setPoints) =>
    setPoints ? { ...without, setPoints } : without,
  )
}

/** Freed of targets the controller has not, by itself and in what it hangs on. */
const withTies = (rule: Rule, { targets }: Partial<Response>, asked: Response['targets']): Rule => {
  const free = freed(rule, targets)
  return free.onlyWhile
    ? { ...free, onlyWhile: free.onlyWhile.map((condition) => carried(condition, targets, asked)) }
    : free
}

/** The table of ages at the figures the controller is put to; days that would no longer rise are left out. */
function withAges(rule: Rule, valueOf: (means: Meaning, slot: number) => number | undefined): Rule {
  if (rule.kind !== 'by-age') return rule
  const rows = rule.rows.map((row, index) => ({
    day: valueOf('byAge.day', index + 1) ?? row.day,
    speedPct: valueOf('byAge.speedPct', index + 1) ?? row.speedPct,
  }))
  return { ...rule, rows: rows.filter(({ day }, index) => index === 0 || day > rows[index - 1]!.day) }
}

/** As many conditions as a rule of this controller may hang on, in the order in which they stand. */
function withConditions(rule: Rule, { abilities }: ControllerModel): Given<Rule> {
  const { onlyWhile: asked = [], ...without } = rule
  const kept = asked.slice(0, abilities?.conditions ?? 0)
  return given(
    kept.length > 0 ? { ...without, onlyWhile: kept } : without,
    kept.length < asked.length && { kind: 'part-left-out', part: 'conditions', name: rule.id },
  )
}

/** The rules as this controller carries them out, in the order in which they were asked. */
function giveRules(
  response: Response,
  model: ControllerModel,
  assignment: Assignment,
  place: Place,
  bounds: { readonly floorPct: number; readonly ceilingPct: number; readonly parts: Partial<Response> },
  valueOf: (means: Meaning, slot: number) => number | undefined,
): Given<Rule[]> {
  const { inSlots, replaced, leftOver } = assignment
  const rules = [...inSlots].flatMap(([kind, slots]) =>
    slots.flatMap((rule, index): Given<Rule>[] => {
      if (!rule) return []
      const slot = slotKind(kind).slots(model)[index]
      const ofSlot = (means: Meaning) => valueOf(means, index + 1)
      return [slotKind(kind).give(rule, slot, { ...bounds, response, model, valueOf: ofSlot })]
    }),
  )
  const { value, losses } = givenList(rules)
  const order = response.rules.map(({ id }) => id)
  const sorted = value.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id))
  const pointed = givenList(sorted.map((rule) => withSetPoints(rule, sorted, model, assignment, place)))
  const hung = givenList(
    pointed.value.map((rule) =>
      withConditions(withTies(withAges(rule, valueOf), bounds.parts, response.targets), model),
    ),
  )
  return given(
    hung.value,
    ...losses,
    ...replaced.map(({ id, kind }): Loss => ({ kind: 'rule-replaced', rule: id, given: kind })),
    ...leftOver.map(({ id }): Loss => ({ kind: 'rule-left-out', rule: id })),
    ...pointed.losses,
    ...hung.losses,
  )
}

/** Without the keys that say nothing, as JSON has it. */
const withoutUndefined = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, held]) => held !== undefined)) as T

/** The lowest speed, and whether it may stand still under it. */
function giveFloor({ floor }: Response, model: ControllerModel, speedPct: number): Given<Response['floor']> {
  const canBeOff = model.abilities?.offAllowed ?? false
  return given(
    withoutUndefined({ ...floor, speedPct, offAllowed: (floor.offAllowed && canBeOff) || undefined }),
    floor.offAllowed && !canBeOff && { kind: 'part-left-out', part: 'off-allowed', name: '' },
  )
}

/** Settings that stand for nothing in a response, and have one value they should stand at wherever the controller is used. */
const advisedSettings = ({ settings }: ControllerModel): SettingValue[] =>
  settings.flatMap(({ id, advice }) =>
    advice?.what === 'set' && advice.to !== undefined ? [{ setting: id, value: advice.to }] : [],
  )

type Carried = {
  readonly settings: readonly SettingValue[]
  readonly given: Response
  readonly losses: readonly Loss[]
  readonly stepPct: number
}

/** What a controller will carry out, without measuring how far that lies off: for who asks many times. */
export function carriedOut(
  asked: Response,
  model: ControllerModel,
  place: Place,
  instead: readonly SettingValue[] = [],
): Carried {
  const { value: response, losses: preparing } = prepareAsked(asked, model)
  const assignment = assign(response, model)
  // A ceiling that was moved out of a skip band must not be rounded back into it.
  const sides = response.ceiling.speedPct === asked.ceiling.speedPct ? {} : ({ ceiling: 'down' } as const)
  const {
    settings,
    valueOf,
    bounds: chosen,
    losses: choosing,
  } = chooseSettings(response, model, place, assignment, sides, instead)
  const floor = giveFloor(response, model, chosen.floorPct)
  const parts = giveParts(response, model, chosen.floorPct, valueOf)
  const [first] = model.outputs
  const stepPct = valueOf('steps.stepPct', 1) ?? Math.max(...model.outputs.map((output) => output.stepPct))
  const bounded = giveBounds(
    withoutUndefined<Response>({
      ...response,
      floor: floor.value,
      ceiling: { speedPct: chosen.ceilingPct, how: model.ceiling },
      steps: { stepPct, rounding: model.rounding, ...(first?.levelsPct ? { levelsPct: first.levelsPct } : {}) },
      ...parts.value,
    }),
  )
  const night = withNightLimits(response, model, bounded.value, parts.value, valueOf)
  const cut = withCutOut(response, model, night.value, valueOf)
  const bounds = {
    floorPct: bounded.value.floor.speedPct,
    ceilingPct: bounded.value.ceiling.speedPct,
    parts: parts.value,
  }
  const rules = giveRules(response, model, assignment, place, bounds, valueOf)
  const carried = withoutUndefined<Response>({ ...bounded.value, cutOut: undefined, ...cut.value, rules: rules.value })
  const losses = [
    preparing,
    choosing,
    floor.losses,
    parts.losses,
    bounded.losses,
    night.losses,
    cut.losses,
    rules.losses,
  ].flat()
  return { settings: [...settings, ...advisedSettings(model)], given: carried, losses, stepPct }
}

/** From response, model and place: the settings, the response this controller will really carry out, and what is lost between the two.
 *  @param instead settings that are put to another value than would be chosen: what comes of that */
export function fit(asked: Response, model: ControllerModel, place: Place, instead: readonly SettingValue[] = []): Fit {
  const { settings, given: carried, losses, stepPct } = carriedOut(asked, model, place, instead)
  const curve = measureCurve(asked, carried)
  const steps: Loss[] = curve && curve.greatestPct > SMALLEST_PCT ? [{ kind: 'steps', stepPct, curve }] : []
  return { settings, given: carried, losses: [...losses, ...steps] }
}
