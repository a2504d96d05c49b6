import { evaluating, type Judgement } from '@/core/advise/judgement'
import { answersIn, atRest, principalInputs, rangeOf, switchesOfRole, with_, type Moment } from '@/core/advise/reach'
import { says, type SlowReason } from '@/core/advise/words'
import type { Duty } from '@/core/brief/duty'
import { type Severity } from '@/core/json/severity'

type Most = { readonly mostS: number; readonly severity: Severity; readonly why: SlowReason }

/** How long a duty bears that its air is not there yet; common practice, no source. */
const MOST: Partial<Record<Duty, Most>> = {
  'head-pressure': { mostS: 120, severity: 'fails', why: 'pressure' },
  livestock: { mostS: 900, severity: 'hurts', why: 'house' },
  electronics: { mostS: 60, severity: 'fails', why: 'sink' },
  'stove-flue': { mostS: 300, severity: 'fails', why: 'fire' },
  exhaust: { mostS: 900, severity: 'fails', why: 'heat' },
  'grow-room': { mostS: 900, severity: 'fails', why: 'crop' },
}
const DOOR: Most = { mostS: 30, severity: 'fails', why: 'people' }

/** Scan, rate, delays, least times off and stages together make it answer too late: from cold to hot at once, and as the door opens. Just
 *  stopped, a least time off counts too. */
export const answersTooSlowly = evaluating((where, { brief }) => {
  const rest = atRest(where)
  const late = (
    key: string,
    what: 'heat' | 'an open door',
    from: Moment,
    to: Moment,
    { mostS, severity, why }: Most,
  ): Judgement[] => {
    // Looked at for four times as long; what has not come by then is said to take longer than that.
    const tookS = answersIn(where, from, to, 4 * mostS)
    if (tookS !== null && tookS <= mostS) return []
    return [
      {
        id: `answers-too-slowly-${key}`,
        severity,
        path: 'response',
        says: says('answers-too-slowly', { what, tookS, lookedS: 4 * mostS, why }),
        figure: { value: tookS ?? 4 * mostS, worse: 1, step: 10 },
        cure: null,
      },
    ]
  }
  const probes = principalInputs(where, 'temperature')
  const [first] = probes
  const most = MOST[brief.duty]
  const ofHeat = (): Judgement[] => {
    if (!most || !first) return []
    const [cold, hot] = rangeOf(where.machine.response, first).map((x) => with_(rest, probes, x))
    return late('heat', 'heat', cold!, hot!, most)
  }
  const doors = brief.duty === 'door-curtain' ? switchesOfRole(where, 'door') : []
  return [...ofHeat(), ...doors.flatMap((id) => late(`door-${id}`, 'an open door', rest, { ...rest, [id]: 1 }, DOOR))]
})
