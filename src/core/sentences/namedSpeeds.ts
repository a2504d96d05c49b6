import { givenFor, leadBounds } from '@/core/machine/givable'
import { speedUp } from '@/core/machine/parts/stepUps'
import type { Response } from '@/core/response/schema'
import type { Trigger } from '@/core/rules/kind'
import { highestAskPct, ruleInputId, ruleKind, type Rule } from '@/core/rules/table'
import { capital, ruleName } from '@/core/sentences/words'

export type NamedSpeed = { readonly name: string; readonly pct: number }

const speedsOf = (response: Response, rule: Rule): readonly NamedSpeed[] => {
  const name = capital(ruleName(response, rule))
  return ruleKind(rule)
    .speeds(rule)
    .flatMap(({ which, pct }) =>
      which === null ? [] : [{ name: which === undefined ? name : `${name}, ${which}`, pct }],
    )
}

/** Every speed of the lead that has a name: floor, what each rule asks, ceiling; held within floor and ceiling, slowest first. */
export function namedSpeeds(response: Response): readonly NamedSpeed[] {
  const { floor, ceiling, rules } = response
  return [
    { name: 'Floor', pct: floor.speedPct },
    ...rules.filter(({ off }) => !off).flatMap((rule) => speedsOf(response, rule)),
    { name: 'Ceiling', pct: ceiling.speedPct },
  ]
    .map(({ name, pct }) => ({ name, pct: Math.min(ceiling.speedPct, Math.max(floor.speedPct, pct)) }))
    .sort((a, b) => a.pct - b.pct)
}

/** The gears of a door curtain in the order in which they should climb: what heat alone asks, then what the open door asks, with the speeds more
 *  that it brings; as given. */
export function gearsOf(response: Response): readonly { readonly rule: Rule; readonly pct: number }[] {
  const bounds = leadBounds(response)
  const held = (pct: number) => givenFor(bounds, Math.min(response.ceiling.speedPct, pct), 0)
  const { speeds = [], stepUps = [] } = response
  const stepped = (rule: Rule, pct: number): number => {
    const by = stepUps
      .filter(({ onlyWhile }) =>
        onlyWhile.every(
          (condition) => condition.kind === 'switch' && condition.input === ruleInputId(rule) && condition.is === 'on',
        ),
      )
      .map((stepUp) => stepUp.by)
    return by.length === 0
      ? pct
      : speedUp(
          speeds.map((speed) => speed.pct),
          pct,
          Math.max(...by),
        )
  }
  const by = (trigger: Trigger) =>
    response.rules
      .filter((rule) => !rule.off && ruleKind(rule).trigger === trigger)
      .map((rule) => ({ rule, pct: held(stepped(rule, highestAskPct(rule))) }))
  return [...by('threshold'), ...by('contact')]
}
