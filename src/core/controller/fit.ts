import { chooseSettings } from '@/core/controller/chooseSettings'
import { giveBounds } from '@/core/controller/giveBounds'
import { giveParts } from '@/core/controller/giveParts'
import type { Loss } from '@/core/controller/loss'
import { measureCurve } from '@/core/controller/measureLoss'
import { prepareAsked } from '@/core/controller/prepareAsked'
import type { Place } from '@/core/controller/safeSide'
import type { ControllerModel, SettingValue } from '@/core/controller/schema'
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
function withSetPoints(rule: Rule, rules: readonly Rule[], model: ControllerModel, losses: Loss[]): Rule {
  if (!('onAt' in rule) && !('fullAt' in rule)) return rule
  const bearer = rules.find((held) => 'onAt' in held) ?? rules.find((held) => 'fullAt' in held)
  const slot = bearer?.id === rule.id ? model.weeks?.find(({ of }) => of === 'set-point') : undefined
  const setPoints = giveSetPoints(rule.setPoints, slot, rule.id, losses)
  const { setPoints: _asked, ...without } = rule
  return setPoints ? { ...without, setPoints } : without
}

function giveRules(
  response: Response,
  model: ControllerModel,
  { inSlots, replaced, leftOver }: Assignment,
  context: Omit<Parameters<ReturnType<typeof slotKind>['give']>[2], 'valueOf' | 'response' | 'model'>,
  valueOf: ReturnType<typeof chooseSettings>['valueOf'],
): Rule[] {
  const { losses } = context
  const rules = [...inSlots].flatMap(([kind, slots]) =>
    slots.flatMap((rule, index): Rule[] => {
      if (!rule) return []
      const slot = slotKind(kind).slots(model)[index]
      return [
        slotKind(kind).give(rule, slot, {
          ...context,
          response,
          model,
          valueOf: (means) => valueOf(means, index + 1),
        }),
      ]
    }),
  )
  for (const { id, kind } of replaced) losses.push({ kind: 'rule-replaced', rule: id, given: kind })
  for (const { id } of leftOver) losses.push({ kind: 'rule-left-out', rule: id })
  const order = response.rules.map(({ id }) => id)
  const sorted = rules.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id))
  return sorted.map((rule) => withSetPoints(rule, sorted, model, losses))
}

/** Without the keys that say nothing, as JSON has it. */
const withoutUndefined = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, held]) => held !== undefined)) as T

/** From response, model and place: the settings, the response this controller will really carry out, and what is lost between the two. */
export function fit(asked: Response, model: ControllerModel, place: Place): Fit {
  const losses: Loss[] = []
  const response = prepareAsked(asked, model, losses)
  const assignment = assign(response, model)
  // A ceiling that was moved out of a skip band must not be rounded back into it.
  const sides = response.ceiling.speedPct === asked.ceiling.speedPct ? {} : ({ ceiling: 'down' } as const)
  const chosen = chooseSettings(response, model, place, assignment, sides)
  losses.push(...chosen.losses)
  const { settings, valueOf } = chosen
  const { floorPct, ceilingPct } = chosen.bounds
  const { floor } = response
  const canBeOff = model.abilities?.offAllowed ?? false
  if (floor.offAllowed && !canBeOff) losses.push({ kind: 'part-left-out', part: 'off-allowed', name: '' })
  const [first] = model.outputs
  const stepPct = Math.max(...model.outputs.map((output) => output.stepPct))
  const bounded = giveBounds(
    withoutUndefined<Response>({
      ...response,
      floor: withoutUndefined({
        ...floor,
        speedPct: floorPct,
        offAllowed: (floor.offAllowed && canBeOff) || undefined,
      }),
      ceiling: { speedPct: ceilingPct, how: model.ceiling },
      steps: { stepPct, rounding: model.rounding, ...(first?.levelsPct ? { levelsPct: first.levelsPct } : {}) },
      ...giveParts(response, model, floorPct, valueOf, losses),
    }),
    losses,
  )
  const bounds = { floorPct: bounded.floor.speedPct, ceilingPct: bounded.ceiling.speedPct }
  const given = { ...bounded, rules: giveRules(response, model, assignment, { ...bounds, losses }, valueOf) }
  const curve = measureCurve(asked, given)
  if (curve && curve.greatestPct > SMALLEST_PCT) losses.push({ kind: 'steps', stepPct, curve })
  return { settings, given, losses }
}
