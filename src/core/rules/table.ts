import { Type, type Static } from '@sinclair/typebox'
import { AfterRun, afterRunKind } from '@/core/rules/afterRun'
import { Cycle, cycleKind } from '@/core/rules/cycle'
import { Differential, differentialKind } from '@/core/rules/differential'
import { Surge, surgeKind } from '@/core/rules/surge'
import { Week, weekKind } from '@/core/rules/week'
import { Ramp, rampKind } from '@/core/rules/ramp'
import { SwitchRule, switchKind } from '@/core/rules/switchRule'
import type { RuleKind } from '@/core/rules/kind'

export const Rule = Type.Union([Ramp, SwitchRule, Differential, Surge, Week, Cycle, AfterRun])
export type Rule = Static<typeof Rule>

const RULE_KINDS = {
  ramp: rampKind,
  switch: switchKind,
  differential: differentialKind,
  surge: surgeKind,
  week: weekKind,
  cycle: cycleKind,
  'after-run': afterRunKind,
} satisfies {
  [K in Rule['kind']]: RuleKind<Extract<Rule, { kind: K }>>
}

/** What the program knows of this rule's kind. */
export const ruleKind = (rule: Rule): RuleKind<Rule> => RULE_KINDS[rule.kind] as unknown as RuleKind<Rule>

/** The input a rule answers to; null for those that answer to the clock alone. */
export const ruleInputId = (rule: Rule): string | null => ('input' in rule ? rule.input : null)
