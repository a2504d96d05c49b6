import { evaluating, type Judgement } from '@/core/advise/judgement'
import { airAt, atRest, with_ } from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import type { Duty } from '@/core/brief/duty'
import { inputsOfRole } from '@/core/duty/role'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'
import type { Period } from '@/core/rules/week'

/** Where air by night is meant to carry heat or damp out. */
const PURGES: ReadonlySet<Duty> = new Set(['balanced', 'grow-room', 'exhaust'])
/** A purge: far over the floor, and mostly by night; common practice, no source. */
const FAR_PCT = 30
const NIGHT_FROM_MIN = 20 * 60
const NIGHT_TO_MIN = 8 * 60
const HOT_C = 35
const COOL_C = 10

function isByNight({ startMin, endMin }: Period): boolean {
  const end = endMin <= startMin ? endMin + 1440 : endMin
  let night = 0
  for (let minute = startMin; minute < end; minute += 10) {
    const ofDay = minute % 1440
    if (ofDay >= NIGHT_FROM_MIN || ofDay < NIGHT_TO_MIN) night += 10
  }
  return 2 * night >= end - startMin
}

/** A purge or boost by the clock that asks the air outside nothing: on a hot or a wet night it brings heat or water in. Looked at in the middle of
 *  the period with hot air outside: as fast as with cool air, it regards nothing. */
export const purgeByClock = evaluating((where, { brief, response }) => {
  if (!PURGES.has(brief.duty)) return []
  const given = where.machine.response
  const outdoor = inputsOfRole({ brief, response: given }, 'outdoor', 'supply').filter(
    (input): input is MeasuredInput => isMeasured(input) && input.kind === 'temperature',
  )
  const floorPct = given.floor.speedPct
  return response.rules.flatMap((rule, index): Judgement[] => {
    if (!('periods' in rule) || rule.off) return []
    return rule.periods.flatMap((period, place): Judgement[] => {
      if (period.speedPct < floorPct + FAR_PCT || !isByNight(period)) return []
      const end = period.endMin <= period.startMin ? period.endMin + 1440 : period.endMin
      const minute = (period.days[0]! * 1440 + (period.startMin + end) / 2) % 10080
      const at = (outsideC: number) =>
        airAt(where, { ...with_(atRest(where), outdoor, outsideC), clock: Math.floor(minute) * 60 })
      if (at(HOT_C) < at(COOL_C) - 5) return []
      return [
        {
          id: `purge-by-clock-${rule.id}-${place}`,
          severity: 'wears',
          path: `response.rules.${index}.periods.${place}`,
          says: says('purge-by-clock', {
            period: { days: period.days, startMin: period.startMin, endMin: period.endMin },
            speedPct: period.speedPct,
            readsOutside: outdoor.length > 0,
          }),
          cure: null,
        },
      ]
    })
  })
})
