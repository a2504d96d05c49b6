import { withResponse, type Judge } from '@/core/advise/judgement'
import { formatTime } from '@/core/quantity/format'
import { ruleName } from '@/core/response/words'

const LONG_S = 2 * 3600

/** An overrun as long as the room was used, without a cap that ever bites: a light left on runs the fan for as long again. */
export const overrunWithoutCap: Judge = ({ response }) =>
  response.rules.flatMap((rule, index) => {
    if (rule.kind !== 'switch' || rule.off || rule.overrun.kind !== 'matched' || rule.overrun.capS <= LONG_S) return []
    return [
      {
        id: `overrun-without-cap-${rule.id}`,
        severity: 'wears' as const,
        path: `response.rules.${index}.overrun`,
        title: `The ${ruleName(response, rule)} may run on for ${formatTime(rule.overrun.capS)}.`,
        detail: `A switch left on all day brings that. Cap it at an hour or less.`,
        cure: {
          label: 'Cap at 1 h',
          apply: (installation) =>
            withResponse(installation, {
              rules: installation.response.rules.map((candidate) =>
                candidate.id === rule.id && candidate.kind === 'switch' && candidate.overrun.kind === 'matched'
                  ? { ...candidate, overrun: { ...candidate.overrun, capS: 3600 } }
                  : candidate,
              ),
            }),
        },
      },
    ]
  })
