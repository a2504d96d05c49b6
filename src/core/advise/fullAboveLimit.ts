import { evaluating, withResponse, type Judgement } from '@/core/advise/judgement'
import { airAt, atRest, principalInputs, rangeOf, with_ } from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import type { Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
import type { Rule } from '@/core/rules/table'

/** Points of speed that may still come above the limit. */
const LATE_PCT = 5

/** The rules that answer to these inputs, or to what they are combined into. */
function answering({ rules, inputs }: Response, ids: ReadonlySet<string>): readonly Rule[] {
  const read = new Set([
    ...ids,
    ...inputs.flatMap((input) => (isMeasured(input) && input.combines?.of.some((id) => ids.has(id)) ? [input.id] : [])),
  ])
  return rules.filter((rule) => !rule.off && 'input' in rule && read.has(rule.input))
}

/** A ramp whose full point lies over the limit, brought down to it where it starts below. */
const broughtDown = (limit: number, ids: ReadonlySet<string>): Judgement['cure'] => ({
  apply: (installation) => {
    const mended = new Set(answering(installation.response, ids))
    return withResponse(installation, {
      rules: installation.response.rules.map((rule) =>
        mended.has(rule) && 'fullAt' in rule && rule.startAt < limit && rule.fullAt > limit
          ? { ...rule, fullAt: limit }
          : rule,
      ),
    })
  },
})

/** Air that only comes above what it protects comes too late: at the limit of the brief all of it must be there. A door curtain holds people
 *  warm, and a limit of a home is no ramp’s. */
export const fullAboveLimit = evaluating((where, { brief, response }) => {
  if (brief.duty === 'door-curtain' || brief.duty === 'balanced') return []
  return brief.targets.flatMap(({ quantity, limitAbove }, target): Judgement[] => {
    const probes = principalInputs(where, quantity)
    const [first] = probes
    if (limitAbove === null || !first) return []
    const rest = atRest(where)
    const [, high] = rangeOf(where.machine.response, first)
    if (high <= limitAbove) return []
    // Of a ladder as a share of all of its fans.
    const fans = 1 + (where.machine.response.stages?.fixed.length ?? 0)
    const [atLimit, most] = [limitAbove, high].map((x) => airAt(where, with_(rest, probes, x)) / fans)
    if (most! - atLimit! <= LATE_PCT) return []
    const ids = new Set(probes.map(({ id }) => id))
    const late = answering(response, ids)
    const canMend = late.some((rule) => 'fullAt' in rule && rule.startAt < limitAbove && rule.fullAt > limitAbove)
    const index = late[0] ? response.rules.indexOf(late[0]) : -1
    return [
      {
        id: `full-above-limit-${quantity}-${target}`,
        severity: brief.duty === 'livestock' ? 'hurts' : 'fails',
        path: index < 0 ? 'response.rules' : `response.rules.${index}`,
        says: says('full-above-limit', { quantity, limit: limitAbove, atLimitPct: atLimit!, mostPct: most! }),
        figure: { value: most! - atLimit!, worse: 1, step: 5 },
        cure: canMend ? broughtDown(limitAbove, ids) : null,
      },
    ]
  })
})
