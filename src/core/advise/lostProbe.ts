import { evaluating, speedFigure, withResponse } from '@/core/advise/judgement'
import { airAt, atRest, principalInputs, rangeOf, with_ } from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import type { Duty } from '@/core/brief/duty'
import { type Severity } from '@/core/json/severity'
import { isMeasured } from '@/core/rules/input'

type Wants = {
  /** Share of what it gives when hot that it must not fall below. */
  readonly share: number
  /** Where it stands, and where it still runs but below that share. */
  readonly stands: Severity
  readonly low: Severity | null
}

/** What a lost probe must not do, by duty. Common practice, no source: livestock, condenser and electronics full; a board for electronics
 *  may fall back to its base (section 2). Half is common practice, no source. The flue is looked at by itself. */
const WANTS: Partial<Record<Duty, Wants>> = {
  livestock: { share: 0.5, stands: 'hurts', low: 'hurts' },
  'head-pressure': { share: 0.5, stands: 'hurts', low: 'fails' },
  electronics: { share: 0.5, stands: 'hurts', low: 'know' },
  exhaust: { share: 0.5, stands: 'fails', low: 'know' },
  'grow-room': { share: 0.5, stands: 'fails', low: null },
}

/** Little or no air when a probe is lost, where the duty needs air: each probe alone and all together, while it is hot. */
export const lostProbe = evaluating((where, { brief, kit }, derived) => {
  const wants = WANTS[brief.duty]
  const probes = principalInputs(where, 'temperature')
  const [first] = probes
  if (!wants || !first) return []
  const hot = with_(atRest(where), probes, rangeOf(where.machine.response, first)[1])
  const hotAir = airAt(where, hot)
  const tries = [...probes.map((probe) => [probe]), probes]
  const least = Math.min(...tries.map((lost) => airAt(where, with_(hot, lost, NaN))))
  if (hotAir === 0 || least >= wants.share * hotAir) return []
  const severity = least === 0 ? wants.stands : wants.low
  if (severity === null) return []
  const governs = new Set(probes.map(({ id }) => id))
  const byController =
    kit.controller !== null &&
    (derived.asked.machine ? airAt({ brief, machine: derived.asked.machine }, with_(hot, probes, NaN)) : 0) > least
  return [
    {
      id: 'fails-low',
      severity,
      path: byController ? 'kit.controller' : 'response.inputs',
      says: says('fails-low', { share: least / hotAir, byController }),
      figure: speedFigure(derived, least, -1),
      cure: byController
        ? null
        : {
            apply: (installation) =>
              withResponse(installation, {
                inputs: installation.response.inputs.map((input) =>
                  isMeasured(input) && (governs.has(input.id) || input.combines?.of.some((id) => governs.has(id)))
                    ? { ...input, lostPct: 100 }
                    : input,
                ),
              }),
          },
    },
  ]
})
