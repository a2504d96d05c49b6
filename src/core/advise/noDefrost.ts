import { evaluating } from '@/core/advise/judgement'
import { airAt, atRest, principalInputs, rangeOf, switchesOfRole, with_ } from '@/core/advise/reach'
import { formatPct } from '@/core/quantity/format'

/** In heating and defrost the condenser fan runs at full. Common practice, no source. */
const FULL_PCT = 95

/** A plant that also heats or defrosts, and nothing that brings its fan to full then. */
export const noDefrost = evaluating((where, { brief }) => {
  if (brief.duty !== 'head-pressure' || brief.answers?.heatPump !== true) return []
  const contacts = switchesOfRole(where, 'defrost', 'heat', 'equipment')
  const probes = principalInputs(where, 'temperature')
  const [first] = probes
  const cold = first ? with_(atRest(where), probes, rangeOf(where.machine.response, first)[0]) : atRest(where)
  const bestPct = Math.max(0, ...contacts.map((id) => airAt(where, { ...cold, [id]: 1 })))
  if (bestPct >= FULL_PCT) return []
  return [
    {
      id: 'no-defrost',
      severity: 'fails',
      path: 'response.rules',
      title: 'Nothing brings it to full in heating and defrost.',
      detail:
        contacts.length === 0
          ? 'It also heats or defrosts, and no contact tells the fan: with a cold coil it would crawl. Wire one, and let it ask for 100 %.'
          : `Its contact brings ${formatPct(bestPct)} % on a cold coil; it should be 100 %.`,
      cure: null,
    },
  ]
})
