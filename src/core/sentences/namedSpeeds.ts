import { givenFor, leadBounds } from '@/core/machine/givable'
import type { Response } from '@/core/response/schema'
import type { Trigger } from '@/core/rules/kind'
import { highestAskPct, ruleKind, type Rule } from '@/core/rules/table'
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

/** The gears of a door curtain in the order in which they should climb: what heat alone asks, then what the open door asks; as given. */
export function gearsOf(response: Response): readonly { readonly rule: Rule; readonly pct: number }[] {
  const bounds = leadBounds(response)
  const held = (pct: number) => givenFor(bounds, Math.min(response.ceiling.speedPct, pct), 0)
  const by = (trigger: Trigger) =>
    response.rules
      .filter((rule) => !rule.off && ruleKind(rule).trigger === trigger)
      .map((rule) => ({ rule, pct: held(highestAskPct(rule)) }))
  return [...by('threshold'), ...by('contact')]
}
