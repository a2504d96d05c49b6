import { evaluating } from '@/core/advise/judgement'
import { airAt, atRest, principalInputs, rangeOf, switchesOfRole, with_ } from '@/core/advise/reach'
import { says } from '@/core/advise/words'

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
      says: says('no-defrost', { contactPct: contacts.length === 0 ? null : bestPct }),
      cure: null,
    },
  ]
})
