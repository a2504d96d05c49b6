import { given, type Given } from '@/core/controller/given'
import type { ControllerModel, Meaning } from '@/core/controller/schema'
import type { Response } from '@/core/response/schema'
import type { Rule } from '@/core/rules/table'

export type GiveContext = {
  readonly response: Response
  readonly model: ControllerModel
  /** What a setting of this slot is put to; undefined where the model has no such setting. */
  readonly valueOf: (means: Meaning) => number | undefined
  readonly floorPct: number
  readonly ceilingPct: number
}

/** What a controller's slot makes of one kind of rule. `R` is the rule, `S` the slot. */
export type SlotKind<R extends Rule, S> = {
  readonly slots: (model: ControllerModel) => readonly S[]
  /** Whether this slot can hold the rule at all. */
  readonly takes: (slot: S, rule: R, response: Response) => boolean
  /** What the rule wants of each setting of the slot. `chosen` gives what was chosen before: widths and spans come first. */
  readonly wants: Partial<Record<Meaning, (rule: R, slot: S, chosen: (means: Meaning) => number | undefined) => number>>
  /** The rule as this controller will carry it out, and what is lost. */
  readonly give: (rule: R, slot: S, context: GiveContext) => Given<R>
  /** Where a smaller figure of its points means more air: false for falling ramps and heating. */
  readonly lowerIsMore: (rule: R) => boolean
}

/** The speed a slot runs at: its own setting, or what it takes where it has none. */
export function slotSpeed(
  rule: Exclude<Rule, { kind: 'ramp' | 'week' | 'by-age' }>,
  takes: 'own' | 'ceiling' | 'full' | 'floor',
  means: Meaning,
  { valueOf, floorPct, ceilingPct }: GiveContext,
): Given<number> {
  if (takes === 'own') return given(valueOf(means) ?? rule.speedPct)
  const givenPct = { ceiling: ceilingPct, full: 100, floor: floorPct }[takes]
  return given(
    givenPct,
    Math.abs(givenPct - rule.speedPct) > 1e-6 && {
      kind: 'speed-follows',
      rule: rule.id,
      takes: { ceiling: 'the ceiling', full: 'full speed', floor: 'the floor' }[takes],
      askedPct: rule.speedPct,
      givenPct,
    },
  )
}

type Figure = {
  readonly what: string
  readonly quantity: 'time' | 'speed' | 'temperature' | 'temperatureDifference' | 'humidity'
  readonly asked: number
  readonly set: number | undefined
  readonly fixed: number | undefined
}

/** A figure that is a setting, else fixed in the controller (said as a loss where it differs), else as asked. */
export function settingOrFixed(rule: Rule, { what, quantity, asked, set, fixed }: Figure): Given<number> {
  if (set !== undefined) return given(set)
  if (fixed === undefined) return given(asked)
  return given(
    fixed,
    Math.abs(fixed - asked) > 1e-6 && { kind: 'fixed-figure', rule: rule.id, what, quantity, asked, given: fixed },
  )
}

export const inputKindOf = (response: Response, rule: Rule): string | undefined =>
  'input' in rule ? response.inputs.find(({ id }) => id === rule.input)?.kind : undefined
