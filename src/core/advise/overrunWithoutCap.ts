import { withResponse, type Judge, type Judgement } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import type { Duty } from '@/core/brief/duty'
import { ruleName } from '@/core/sentences/words'

const HOUR_S = 3600

/** Longest overrun that is usual, by duty (s); common practice, no source. A home is boosted for hours on purpose, a curtain for a minute. */
const USUAL_S: Record<Duty, number> = {
  extract: HOUR_S,
  exhaust: HOUR_S,
  'head-pressure': HOUR_S,
  livestock: HOUR_S,
  'grow-room': 2 * HOUR_S,
  'stove-flue': 2 * HOUR_S,
  balanced: 4 * HOUR_S,
  'door-curtain': 600,
  electronics: HOUR_S,
}

/** An overrun longer than the duty knows; one as long as the room was used without a cap that ever bites, too: a light left on runs the fan for
 *  as long again. */
export const overrunWithoutCap: Judge = ({ brief, response }) =>
  response.rules.flatMap((rule, index): Judgement[] => {
    if (!('overrun' in rule) || rule.off || rule.overrun.kind === 'none') return []
    const usualS = USUAL_S[brief.duty]
    const longestS = rule.overrun.kind === 'matched' ? rule.overrun.capS : rule.overrun.holdS
    if (longestS <= usualS) return []
    const isMatched = rule.overrun.kind === 'matched'
    return [
      {
        id: `overrun-without-cap-${rule.id}`,
        severity: 'wears',
        path: `response.rules.${index}.overrun`,
        says: says('overrun-without-cap', { rule: ruleName(response, rule), longestS, usualS, isMatched }),
        figure: { value: longestS, worse: 1, step: 300 },
        cure: {
          apply: (installation) =>
            withResponse(installation, {
              rules: installation.response.rules.map((held) =>
                held.id !== rule.id || !('overrun' in held)
                  ? held
                  : held.overrun.kind === 'matched'
                    ? { ...held, overrun: { ...held.overrun, capS: usualS } }
                    : { ...held, overrun: { kind: 'fixed', holdS: usualS } },
              ),
            }),
        },
      },
    ]
  })
