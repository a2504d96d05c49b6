import { afterRunKind } from '@/core/rules/afterRun'
import { cycleKind } from '@/core/rules/cycle'
import { differentialKind } from '@/core/rules/differential'
import { surgeKind } from '@/core/rules/surge'
import { weekKind } from '@/core/rules/week'
import { rampKind } from '@/core/rules/ramp'
import { switchKind } from '@/core/rules/switchRule'
import type { RuleKind } from '@/core/rules/kind'
import type { Rule } from '@/core/response/schema'

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
