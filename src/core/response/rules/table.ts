import { afterRunKind } from '@/core/response/rules/afterRun'
import { cycleKind } from '@/core/response/rules/cycle'
import { differentialKind } from '@/core/response/rules/differential'
import { surgeKind } from '@/core/response/rules/surge'
import { weekKind } from '@/core/response/rules/week'
import { rampKind } from '@/core/response/rules/ramp'
import { switchKind } from '@/core/response/rules/switchRule'
import type { RuleKind } from '@/core/response/rules/kind'
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
