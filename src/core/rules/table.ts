import { Type, type Static } from '@sinclair/typebox'
import { putAt, valueAt } from '@/core/json/path'
import { ByAge, byAgeKind } from '@/core/rules/byAge'
import { conditionInputPlaces, conditionSpans } from '@/core/rules/condition'
import { Cycle, cycleKind } from '@/core/rules/cycle'
import { Differential, differentialKind } from '@/core/rules/differential'
import { HoldAfterFall, holdAfterFallKind } from '@/core/rules/holdAfterFall'
import type { RuleKind, RuleOffer } from '@/core/rules/kind'
import { Purge, purgeKind } from '@/core/rules/purge'
import { Ramp, rampKind } from '@/core/rules/ramp'
import { RapidRise, rapidRiseKind } from '@/core/rules/rapidRise'
import { SwitchRule, switchKind } from '@/core/rules/switchRule'
import { Week, weekKind } from '@/core/rules/week'
import type { WeekSpan } from '@/core/rules/weekSpan'

export const Rule = Type.Union([Ramp, SwitchRule, Differential, RapidRise, Week, Cycle, HoldAfterFall, Purge, ByAge])
export type Rule = Static<typeof Rule>

const RULE_KINDS = {
  ramp: rampKind,
  switch: switchKind,
  differential: differentialKind,
  'rapid-rise': rapidRiseKind,
  week: weekKind,
  cycle: cycleKind,
  'hold-after-fall': holdAfterFallKind,
  purge: purgeKind,
  'by-age': byAgeKind,
} satisfies { [K in Rule['kind']]: { readonly check: RuleKind<Extract<Rule, { kind: K }>>['check'] } }

/** Why a rule asks what it asks, with figures. */
export type RuleWhy =
  | ReturnType<ReturnType<(typeof RULE_KINDS)[Rule['kind']]['compile']>['why']>
  | { readonly kind: 'other-mode' }
  | { readonly kind: 'condition-open'; readonly condition: number }

export type AnyRuleKind = RuleKind<Rule, RuleWhy>

/** What the program knows of this rule's kind. */
export const ruleKind = (rule: Pick<Rule, 'kind'>): AnyRuleKind => RULE_KINDS[rule.kind] as unknown as AnyRuleKind

/** What can be added, kind by kind. */
export const RULE_OFFERS: readonly (RuleOffer<Rule> & { readonly kind: Rule['kind'] })[] = (
  Object.keys(RULE_KINDS) as Rule['kind'][]
).flatMap((kind) => ruleKind({ kind }).offers.map((offer) => ({ ...offer, kind })))

/** The input a rule answers to; null for those that answer to the clock alone. */
export const ruleInputId = (rule: Rule): string | null => ('input' in rule ? rule.input : null)

/** The most a rule can ever ask for, percent. */
export const highestAskPct = (rule: Rule): number =>
  Math.max(
    ...ruleKind(rule)
      .speeds(rule)
      .map(({ pct }) => pct),
  )

/** The first rule that a contact asks by, of those that are switched on: what people call the boost. */
export const boostOf = (rules: readonly Rule[]): SwitchRule | undefined =>
  rules.find((rule): rule is SwitchRule => rule.kind === 'switch' && !rule.off)

/** How a rule comes and goes by itself; null where it does not. */
export const pulsesOf = (rule: Rule) => ruleKind(rule).pulses(rule)

/** Where in a rule ids of inputs stand: those of its kind, and those of what it hangs on. */
const inputPlaces = (rule: Rule): readonly string[] => [
  ...ruleKind(rule).inputs(rule),
  ...(rule.onlyWhile ?? []).flatMap((condition, index) =>
    conditionInputPlaces(condition).map((place) => `onlyWhile.${index}.${place}`),
  ),
]

/** Times of the week at which a rule changes something, by itself or by what it hangs on. */
export const ruleSpans = (rule: Rule): readonly WeekSpan[] => [
  ...ruleKind(rule).spans(rule),
  ...(rule.onlyWhile ?? []).flatMap(conditionSpans),
]

/** Every input a rule reads. */
export const ruleInputIds = (rule: Rule): readonly string[] => inputPlaces(rule).map((at) => String(valueAt(rule, at)))

/** The rule with other ids of its inputs. */
export function withInputs(rule: Rule, nameOf: (id: string) => string): Rule {
  const renamed = structuredClone(rule)
  for (const at of inputPlaces(rule)) putAt(renamed, at, nameOf(String(valueAt(rule, at))))
  return renamed
}
