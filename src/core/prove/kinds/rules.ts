import type { Check } from '@/core/prove/check'
import type { ProveContext } from '@/core/prove/context'
import { byAgeChecks } from '@/core/prove/kinds/byAge'
import { cycleChecks } from '@/core/prove/kinds/cycle'
import { differentialChecks } from '@/core/prove/kinds/differential'
import { holdAfterFallChecks } from '@/core/prove/kinds/holdAfterFall'
import { purgeChecks } from '@/core/prove/kinds/purge'
import { rampChecks } from '@/core/prove/kinds/ramp'
import { riseChecks } from '@/core/prove/kinds/rise'
import { switchChecks } from '@/core/prove/kinds/switchRule'
import { weekChecks } from '@/core/prove/kinds/week'
import type { Rule } from '@/core/rules/table'

type ChecksOf<R> = (context: ProveContext, rule: R, index: number) => Check[]

const CHECKS = {
  ramp: rampChecks,
  switch: switchChecks,
  differential: differentialChecks,
  'rapid-rise': riseChecks,
  week: weekChecks,
  cycle: cycleChecks,
  'hold-after-fall': holdAfterFallChecks,
  purge: purgeChecks,
  'by-age': byAgeChecks,
} satisfies { [K in Rule['kind']]: ChecksOf<Extract<Rule, { kind: K }>> }

/** What proves one rule, rule number `index` of the machine. */
export const checksOfRule: ChecksOf<Rule> = (context, rule, index) =>
  (CHECKS[rule.kind] as ChecksOf<Rule>)(context, rule, index)
