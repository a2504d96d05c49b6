import { evaluating, type Judgement } from '@/core/advise/judgement'
import { momentText } from '@/core/advise/momentText'
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
import { formatTime } from '@/core/quantity/format'

/** Least time that a flue fan goes on after the flue has cooled; common practice, no source: 45 min is usual, half an hour the least. */
const LEAST_S = 1800
const EMBERS = 'Embers give off carbon monoxide for hours; a fan that stops on them can let it into the room.'

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
  const said = (key: string, title: string, detail: string, value: number): Judgement => ({
    id: `flue-stops-${key}`,
    severity: 'hurts',
    path: 'response.rules',
    title,
    detail: `${detail} ${EMBERS}`,
    figure: { value, worse: -1, step: 60 },
    cure: null,
  })
  const rest = atRest(where)
  const probes = principalInputs(where, 'temperature')
  const [probe] = probes
  if (!probe) {
    const least = leastOver(where, (moment) => airAt(where, moment))
    return least.value > 0
      ? []
      : [
          said(
            'no-probe',
            'The flue fan may stand while the fire burns.',
            'No probe tells it that the flue is warm.',
            0,
          ),
        ]
  }
  const [cold, hot] = rangeOf(where.machine.response, probe)
  const burning = with_(rest, probes, hot)
  const ids = probes.map(({ id }) => id)
  const least = leastOver(where, (moment) => airAt(where, moment), { from: burning, fixed: ids })
  if (least.value === 0)
    return [
      said(
        'burning',
        'The flue fan stands while the fire burns.',
        `It does not run with the flue hot${least.moment === burning ? '' : `, ${momentText(where, least.moment, burning)}`}.`,
        0,
      ),
    ]
  const cooled = standsAfter(where, burning, with_(burning, probes, cold))
  const lost = standsAfter(where, burning, with_(burning, probes, NaN))
  return [
    ...(cooled === null
      ? []
      : [
          said(
            'embers',
            'The flue fan stops on embers.',
            `Once the flue has cooled it stands ${cooled < 60 ? 'at once' : `after ${formatTime(cooled)}`}; at least ${formatTime(LEAST_S)}, 45 min are usual.`,
            cooled,
          ),
        ]),
    ...(lost === null
      ? []
      : [
          said(
            'lost',
            'The flue fan stops when its probe is lost.',
            'A broken wire in the middle of a firing stops it. Let a lost probe run it at full.',
            lost,
          ),
        ]),
  ]
})
