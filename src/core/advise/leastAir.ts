import { flowLsAt } from '@/core/calibration/flowMap'
import { evaluating, speedFigure } from '@/core/advise/judgement'
import { airAt, airOf, atRest, leastOver, meanOver } from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import { answerReader } from '@/core/duty/plan'
import { livestock } from '@/core/duty/livestock'

const OVER_S = 3600
/** Less than this of one fan's full air, as a mean over an hour, is no ventilation; common practice, no source. */
const LEAST_PCT = 3
/** Below this share of what the animals need; common practice, no source: what a map and a count of animals are good for. */
const SHARE = 0.8

/** A house whose least air, as a mean over an hour in the cold, is nothing or next to nothing, or well below what its animals need. Where the
 *  brief requires a flow that is looked at instead. */
export const leastAir = evaluating((where, { brief }, derived) => {
  if (brief.duty !== 'livestock') return []
  const rest = atRest(where)
  const cold = leastOver(where, (moment) => airAt(where, moment)).moment
  const mean = Math.min(
    ...[rest, cold].map((moment) => meanOver(where, moment, OVER_S, (state) => airOf(where, state))),
  )
  const tooLittle = (flow: { meanLs: number; leastLs: number; why: string } | null) => ({
    id: 'least-air',
    severity: 'hurts' as const,
    path: 'response.rules',
    says: says('least-air', { meanPct: mean, flow }),
    figure: speedFigure(derived, mean, -1),
    cure: null,
  })
  if (mean < LEAST_PCT) return [tooLittle(null)]
  const { least } = livestock.follows(answerReader(livestock, brief))
  const { lead } = derived
  if (brief.requiredFlow || !least || lead?.flow?.kind !== 'map' || where.machine.response.stages) return []
  const { map } = lead.flow
  const meanLs = meanOver(where, cold, OVER_S, ({ fansPct }) => (fansPct[0]! > 0 ? flowLsAt(map, fansPct[0]!) : 0))
  return meanLs >= SHARE * least.flowLs ? [] : [tooLittle({ meanLs, leastLs: least.flowLs, why: least.why })]
})
