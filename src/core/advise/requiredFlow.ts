import { flowLsAt, speedPctFor } from '@/core/calibration/flowMap'
import { evaluating, withResponse } from '@/core/advise/judgement'
import { momentFacts } from '@/core/advise/momentFacts'
import {
  airAt,
  atRest,
  leastOver,
  meanOver,
  settledAt,
  switchesOfRole,
  through,
  type Moment,
  type Where,
} from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import { requirementOf, type Requirement } from '@/core/brief/requirement'
import type { Derived } from '@/core/derive/derive'
import { modeInputs } from '@/core/machine/modeInputs'
import { pulsesOf } from '@/core/rules/table'

/** Below this share of it a flow counts as less than required: what a map is good for. */
const SHARE = 0.98

/** The moments at which it has to hold: any, or those at which somebody is there. */
function startsOf(where: Where, { kept }: Requirement): { readonly from: Moment; readonly fixed: readonly string[] }[] {
  const rest = atRest(where)
  if (kept !== 'occupied') return [{ from: rest, fixed: [] }]
  const requests = switchesOfRole(where, 'request', 'door')
  const day = modeInputs(where.machine.response, 'day')
  const moments = [
    ...requests.map((id) => ({ from: { ...rest, [id]: 1 }, fixed: [id] })),
    ...(day ? [{ from: { ...rest, ...day }, fixed: Object.keys(day) }] : []),
  ]
  return moments.length > 0 ? moments : [{ from: rest, fixed: [] }]
}

/** What it gives least, at which moment. */
function leastFlow(where: Where, requirement: Requirement, flowOf: (leadPct: number) => number) {
  const { kept, overS } = requirement
  const longestS = Math.max(60, ...where.machine.rules.map((rule) => pulsesOf(rule)?.periodS ?? 0))
  return startsOf(where, requirement)
    .map(({ from, fixed }) => {
      const { moment } = leastOver(where, (at) => airAt(where, at), { from, fixed })
      const flows = kept === 'mean' ? [meanOver(where, moment, overS, ({ fansPct }) => flowOf(fansPct[0]!))] : []
      if (kept !== 'mean')
        for (const { fansPct } of through(where, settledAt(where, moment), moment, longestS, longestS / 240))
          flows.push(flowOf(fansPct[0]!))
      return { moment, from, flowLs: Math.min(...flows) }
    })
    .reduce((least, one) => (one.flowLs < least.flowLs ? one : least))
}

/** The lowest speed at which the map gives a flow. */
const floorFor = ({ lead }: Derived, flowLs: number): number | null =>
  lead?.flow?.kind === 'map' ? speedPctFor(lead.flow.map, flowLs) : null

/** A flow that must not be undercut, and is: looked at by what is given at every moment that can be reached, by the map of the lead. */
export const requiredFlow = evaluating((where, { brief, response }, derived) => {
  const requirement = requirementOf(brief)
  const { lead } = derived
  if (!requirement || lead?.flow?.kind !== 'map') return []
  const { map } = lead.flow
  const least = leastFlow(where, requirement, (pct) => (pct > 0 ? flowLsAt(map, pct) : 0))
  if (least.flowLs >= SHARE * requirement.flowLs) return []
  const neededPct = floorFor(derived, requirement.flowLs)
  const floorPct = neededPct === null ? null : Math.min(100, Math.ceil(neededPct - 1e-6))
  return [
    {
      id: 'required-flow',
      severity: 'hurts',
      path: 'response.floor',
      says: says('required-flow', {
        requirement,
        with: momentFacts(where, least.moment, least.from),
        givesLs: least.flowLs,
        floorPct: Math.max(floorPct ?? 0, response.floor.speedPct),
      }),
      figure: { value: least.flowLs, worse: -1, step: Math.max(1, 0.02 * requirement.flowLs) },
      cure:
        floorPct === null || floorPct > response.ceiling.speedPct
          ? null
          : {
              apply: (installation) => {
                const { offAllowed: _was, ...floor } = installation.response.floor
                return withResponse(installation, {
                  floor: { ...floor, speedPct: Math.max(floorPct, floor.speedPct) },
                })
              },
            },
    },
  ]
})
