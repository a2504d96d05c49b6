import type { Derived } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import type { Check } from '@/core/prove/check'
import { proveContext, type ProveContext } from '@/core/prove/context'
import { ladderChecks } from '@/core/prove/kinds/ladder'
import { modeChecks } from '@/core/prove/kinds/modes'
import { outputChecks } from '@/core/prove/kinds/outputs'
import { overrideChecks } from '@/core/prove/kinds/overrides'
import {
  bandChecks,
  floorChecks,
  kickChecks,
  powerChecks,
  powerWaitChecks,
  rateChecks,
  reductionChecks,
  finalRunOnChecks,
} from '@/core/prove/kinds/parts'
import { peopleChecks } from '@/core/prove/kinds/people'
import { checksOfRule } from '@/core/prove/kinds/rules'
import { sweepChecks } from '@/core/prove/kinds/sweep'
import { targetChecks } from '@/core/prove/kinds/target'
import { setPointChecks } from '@/core/prove/kinds/week'
import { METRIC, type UnitPreference } from '@/core/quantity/format'

/** Everything to carry out for a given response, in the order in which a hand would do it. Each expected value is what the given machine does
 *  at the moment that is brought about; what could not be told at any reachable moment is left out. */
export function provePlan(context: ProveContext): Check[] {
  const { machine } = context
  return [
    ...floorChecks(context),
    ...machine.rules.flatMap((rule, index) => [
      ...checksOfRule(context, rule, index),
      ...setPointChecks(context, rule, index),
      ...targetChecks(context, rule, index),
    ]),
    ...sweepChecks(context),
    ...ladderChecks(context),
    ...modeChecks(context),
    ...finalRunOnChecks(context),
    ...reductionChecks(context),
    ...bandChecks(context),
    ...rateChecks(context),
    ...overrideChecks(context),
    ...outputChecks(context),
    ...kickChecks(context),
    ...peopleChecks(context),
    ...powerWaitChecks(context),
    ...powerChecks(context),
  ]
}

export type Planned = { readonly context: ProveContext; readonly plan: readonly Check[] }

/** Kept with what was derived: several places of a page ask for it. */
const known = new WeakMap<Derived, { readonly preference: UnitPreference; readonly planned: Planned | null }>()

/** What there is to prove of an installation; null while its response contradicts itself. */
export function planFor(
  installation: Installation,
  derived: Derived,
  preference: UnitPreference = METRIC,
): Planned | null {
  const before = known.get(derived)
  if (before?.preference === preference) return before.planned
  const { machine } = derived.given
  const context = machine && proveContext(installation, machine, preference)
  const planned = context && { context, plan: provePlan(context) }
  known.set(derived, { preference, planned })
  return planned
}
