import { flowLsAt } from '@/core/calibration/flowMap'
import { evaluating, speedFigure, type Judgement } from '@/core/advise/judgement'
import { momentFacts } from '@/core/advise/momentFacts'
import { airAt, atRest, leastOver, principalInputs, rangeOf, with_ } from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import type { Duty } from '@/core/brief/duty'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { type Severity } from '@/core/json/severity'

/** Share of its full air that must be there when it is hot, whatever else there is; common practice, no source. */
const SHARES: Partial<Record<Duty, { readonly share: number; readonly severity: Severity }>> = {
  livestock: { share: 0.8, severity: 'hurts' },
  'head-pressure': { share: 0.8, severity: 'fails' },
  electronics: { share: 0.8, severity: 'hurts' },
  exhaust: { share: 0.5, severity: 'fails' },
}

/** At its hottest, something else than a person takes the air away: a reduction, a mode, a clock. And a ceiling below what the heat needs. */
export const notFullWhenHot = evaluating((where, { brief, response }, derived) => {
  const wants = SHARES[brief.duty]
  const probes = principalInputs(where, 'temperature')
  const [first] = probes
  if (!wants || !first) return []
  const hot = with_(atRest(where), probes, rangeOf(where.machine.response, first)[1])
  const full = airAt(where, hot)
  const least = leastOver(where, (moment) => airAt(where, moment), { from: hot, fixed: probes.map(({ id }) => id) })
  const taken: Judgement[] =
    least.value >= wants.share * full
      ? []
      : [
          {
            id: 'not-full-when-hot',
            severity: wants.severity,
            path: 'response.reductions',
            says: says('not-full-when-hot', { share: least.value / full, with: momentFacts(where, least.moment, hot) }),
            figure: speedFigure(derived, least.value, -1),
            cure: null,
          },
        ]
  const plan = DUTY_PLANS[brief.duty]
  const { most } = plan.follows(answerReader(plan, brief))
  const { lead } = derived
  const ceilingPct = Math.min(response.ceiling.speedPct, where.machine.response.ceiling.speedPct)
  const map = lead?.flow?.kind === 'map' ? lead.flow.map : null
  const isCapped =
    most !== null &&
    map !== null &&
    !where.machine.response.stages &&
    flowLsAt(map, ceilingPct) < 0.95 * most.flowLs &&
    flowLsAt(map, 100) > 1.05 * flowLsAt(map, ceilingPct)
  return isCapped
    ? [
        ...taken,
        {
          id: 'ceiling-below-heat',
          severity: wants.severity,
          path: 'response.ceiling.speedPct',
          says: says('ceiling-below-heat', {
            ceilingPct,
            movesLs: flowLsAt(map, ceilingPct),
            wantedLs: most.flowLs,
            why: most.why,
          }),
          figure: speedFigure(derived, ceilingPct, -1),
          cure: null,
        },
      ]
    : taken
})
