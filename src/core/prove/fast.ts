import { beyond, restFor, resting, stateAfter, standing } from '@/core/prove/build'
import { brought, type ProveContext } from '@/core/prove/context'
import type { Stage, Values } from '@/core/prove/stage'
import { clockAt } from '@/core/prove/weekClock'
import type { MomentSays } from '@/core/prove/words'
import type { SwitchRule } from '@/core/rules/switchRule'
import { ruleKind, type Rule } from '@/core/rules/table'
import type { Week } from '@/core/rules/week'

/** A moment, what is said to bring it about, and how long it takes to tell. */
export type Moment = { readonly values: Values; readonly says: MomentSays; readonly waitS: number }

export const momentStage = (context: ProveContext, { values, waitS }: Moment): Stage => standing(context, values, waitS)

type Most<R> = (context: ProveContext, rule: R, base: Values) => Moment | null

/** The input of a rule brought past a point. */
function past(context: ProveContext, base: Values, input: string, point: number, way: 1 | -1, waitS = 0): Moment {
  const x = beyond(context, input, point, way)
  return {
    values: brought(context, base, input, x),
    says: { kind: 'bring', input, x },
    waitS,
  }
}

const byContact: Most<SwitchRule> = (_context, { input, onDelayS }, base) => ({
  values: { ...base, [input]: 1 },
  says: { kind: 'switch', input },
  waitS: onDelayS,
})

const byClock: Most<Week> = (_context, { periods }, base) => {
  const [most] = [...periods].sort((a, b) => b.speedPct - a.speedPct)
  if (!most) return null
  const clock = clockAt(most, most.startMin + 2)
  return {
    values: { ...base, clock },
    says: { kind: 'clock', clock },
    waitS: 0,
  }
}

/** More than one thing has to be brought about, or time does it. */
const byNothing = () => null

const MOST = {
  ramp: (context, { input, startAt, fullAt }, base) => past(context, base, input, fullAt, fullAt > startAt ? 1 : -1),
  switch: byContact,
  differential: (context, { input, action, onAt, minOffS }, base) =>
    past(context, base, input, onAt, action === 'direct' ? 1 : -1, minOffS),
  'hold-after-fall': (context, { input, armAbove }, base) => past(context, base, input, armAbove, 1),
  week: byClock,
  'rapid-rise': byNothing,
  cycle: byNothing,
  purge: byNothing,
  'by-age': byNothing,
} satisfies { [K in Rule['kind']]: Most<Extract<Rule, { kind: K }>> }

/** What makes a rule ask for all it can; null where only time does. */
export const askMost = (context: ProveContext, rule: Rule): Moment | null =>
  (MOST[rule.kind] as Most<Rule>)(context, rule, restFor(context, rule))

/** The moment in which the lead runs fastest that one thing brings about: of equals, a switch before a reading. */
export function fastMoment(context: ProveContext): Moment {
  const rest: Moment = { values: context.rest, says: { kind: 'rest' }, waitS: 0 }
  const order = (rule: Rule) => (ruleKind(rule).trigger === 'contact' ? 0 : 1)
  const moments = [...context.machine.rules]
    .sort((a, b) => order(a) - order(b))
    .flatMap((rule) => askMost(context, rule) ?? [])
  const leadPct = (moment: Moment) =>
    stateAfter(context, [resting(context.rest), momentStage(context, moment)]).fansPct[0]!
  return [rest, ...moments]
    .map((moment) => ({ moment, pct: leadPct(moment) }))
    .reduce((most, one) => (one.pct > most.pct + 0.5 ? one : most)).moment
}
