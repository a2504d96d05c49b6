import { evaluating, type Judgement } from '@/core/advise/judgement'
import { momentFacts } from '@/core/advise/momentFacts'
import {
  airOf,
  atRest,
  leastOver,
  principalInputs,
  rangeOf,
  settledAt,
  through,
  with_,
  airAt,
  type Moment,
  type Where,
} from '@/core/advise/reach'
import { says, type Says } from '@/core/advise/words'

/** Least time that a flue fan goes on after the flue has cooled; common practice, no source: 45 min is usual, half an hour the least. */
const LEAST_S = 1800

/** Seconds until it stands, from one moment into another; null when it never does within the least time. */
function standsAfter(where: Where, from: Moment, to: Moment): number | null {
  const stepS = 10
  let passedS = -stepS
  for (const state of through(where, settledAt(where, from), to, LEAST_S - stepS, stepS)) {
    passedS += stepS
    if (airOf(where, state) === 0) return Math.max(0, passedS)
  }
  return null
}

/** A fan that moves flue gas (by its answer: a blower of room air may stop as the fire dies) and stands while there may be embers. */
export const flueStops = evaluating((where, { brief }) => {
  if (brief.answers?.moves !== 'flue') return []
  const stops = (key: string, words: Says, value: number): Judgement => ({
    id: `flue-stops-${key}`,
    severity: 'hurts',
    path: 'response.rules',
    says: words,
    figure: { value, worse: -1, step: 60 },
    cure: null,
  })
  const rest = atRest(where)
  const probes = principalInputs(where, 'temperature')
  const [probe] = probes
  if (!probe) {
    const least = leastOver(where, (moment) => airAt(where, moment))
    return least.value > 0 ? [] : [stops('no-probe', says('flue-stops-no-probe'), 0)]
  }
  const [cold, hot] = rangeOf(where.machine.response, probe)
  const burning = with_(rest, probes, hot)
  const ids = probes.map(({ id }) => id)
  const least = leastOver(where, (moment) => airAt(where, moment), { from: burning, fixed: ids })
  if (least.value === 0) {
    const at = least.moment === burning ? [] : momentFacts(where, least.moment, burning)
    return [stops('burning', says('flue-stops-burning', { with: at }), 0)]
  }
  const cooled = standsAfter(where, burning, with_(burning, probes, cold))
  const lost = standsAfter(where, burning, with_(burning, probes, NaN))
  return [
    ...(cooled === null
      ? []
      : [stops('embers', says('flue-stops-embers', { afterS: cooled, leastS: LEAST_S }), cooled)]),
    ...(lost === null ? [] : [stops('lost', says('flue-stops-lost'), lost)]),
  ]
})
