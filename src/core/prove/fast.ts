import { beyond, restFor, resting, stateAfter, standing } from '@/core/prove/build'
import type { Stage, Values } from '@/core/prove/check'
import { brought, inputOf, type ProveContext } from '@/core/prove/context'
import { bringText, wayFor } from '@/core/prove/howTo'
import { clockAt } from '@/core/prove/weekClock'
import { weekClockText } from '@/core/rules/localClock'
import type { Rule } from '@/core/rules/table'

/** A moment, what is said to bring it about, how, and how long it takes to tell. */
export type Moment = {
  readonly values: Values
  readonly said: string
  readonly how: string
  readonly waitS: number
}

export const momentStage = (context: ProveContext, { values, waitS }: Moment): Stage => standing(context, values, waitS)

/** What makes a rule ask for all it can; null where only time does. */
export function askMost(context: ProveContext, rule: Rule): Moment | null {
  const base = restFor(context, rule)
  const to = (point: number, way: 1 | -1, waitS = 0): Moment | null => {
    if (!('input' in rule)) return null
    const x = beyond(context, rule.input, point, way)
    return {
      values: brought(context, base, rule.input, x),
      said: `bring ${bringText(context, rule.input, x)}`,
      how: wayFor(context, rule.input, x),
      waitS,
    }
  }
  switch (rule.kind) {
    case 'switch':
      return {
        values: { ...base, [rule.input]: 1 },
        said: `switch the ${inputOf(context, rule.input)?.name ?? rule.input} on`,
        how: '',
        waitS: rule.onDelayS,
      }
    case 'ramp':
      return to(rule.fullAt, rule.fullAt > rule.startAt ? 1 : -1)
    case 'differential':
      return to(rule.onAt, rule.action === 'direct' ? 1 : -1, rule.minOffS)
    case 'hold-after-fall':
      return to(rule.armAbove, 1)
    case 'week': {
      const [most] = [...rule.periods].sort((a, b) => b.speedPct - a.speedPct)
      if (!most) return null
      return {
        values: { ...base, clock: clockAt(most, most.startMin + 2) },
        said: `set the clock to ${weekClockText(clockAt(most, most.startMin + 2))}`,
        how: 'Put the right time back afterwards.',
        waitS: 0,
      }
    }
    // More than one thing has to be brought about, or time does it.
    case 'rapid-rise':
    case 'cycle':
    case 'purge':
      return null
  }
}

/** The moment in which the lead runs fastest that one thing brings about: of equals, a switch before a reading. */
export function fastMoment(context: ProveContext): Moment {
  const rest: Moment = { values: context.rest, said: '', how: '', waitS: 0 }
  const order = ({ kind }: Rule) => (kind === 'switch' ? 0 : 1)
  const moments = [...context.machine.rules]
    .sort((a, b) => order(a) - order(b))
    .flatMap((rule) => askMost(context, rule) ?? [])
  const leadPct = (moment: Moment) =>
    stateAfter(context, [resting(context.rest), momentStage(context, moment)]).fansPct[0]!
  return [rest, ...moments]
    .map((moment) => ({ moment, pct: leadPct(moment) }))
    .reduce((most, one) => (one.pct > most.pct + 0.5 ? one : most)).moment
}
