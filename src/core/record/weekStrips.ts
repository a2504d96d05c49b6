import type { Installation } from '@/core/installation/installation'
import { formatPct, formatQuantity, type UnitPreference } from '@/core/quantity/format'
import { inputQuantity } from '@/core/rules/input'
import { DAY_NAMES } from '@/core/rules/localClock'
import { fillSpan, WEEK_MIN } from '@/core/rules/week'
import { capital, ruleName } from '@/core/sentences/words'

/** A piece of a day in which one value stands. */
type StripPiece = { readonly fromMin: number; readonly toMin: number; readonly says: string }
/** What a rule does by the week: a strip a day, Monday first; a day on which nothing stands is empty. */
export type WeekStrips = {
  readonly name: string
  readonly days: readonly { readonly day: string; readonly pieces: readonly StripPiece[] }[]
}

const DAY_MIN = 1440

/** The pieces of each day of a week that is given minute by minute; NaN: nothing stands there. */
function daysOf(minutes: Float64Array, says: (value: number) => string): WeekStrips['days'] {
  return DAY_NAMES.map((day, index) => {
    const pieces: StripPiece[] = []
    let fromMin = 0
    for (let minute = 1; minute <= DAY_MIN; minute++) {
      const [before, now] = [minutes[index * DAY_MIN + minute - 1]!, minutes[index * DAY_MIN + minute]]
      if (minute < DAY_MIN && Object.is(before, now)) continue
      if (!Number.isNaN(before)) pieces.push({ fromMin, toMin: minute, says: says(before) })
      fromMin = minute
    }
    return { day, pieces }
  })
}

/** Every rule that hangs on the week, as strips. Where speeds overlap the highest stands, as in the rule itself; where set points do, the later one
 *  written. */
export function weekStrips({ response }: Pick<Installation, 'response'>, preference: UnitPreference): WeekStrips[] {
  return response.rules.flatMap((rule): WeekStrips[] => {
    if (rule.off) return []
    const minutes = new Float64Array(WEEK_MIN).fill(NaN)
    const name = capital(ruleName(response, rule))
    if ('periods' in rule) {
      for (const period of [...rule.periods].sort((a, b) => a.speedPct - b.speedPct))
        fillSpan(minutes, period, period.speedPct)
      return [{ name, days: daysOf(minutes, (pct) => `${formatPct(pct, preference)} %`) }]
    }
    if (!('setPoints' in rule) || !rule.setPoints || rule.setPoints.length === 0) return []
    const quantity = inputQuantity(response.inputs.find(({ id }) => id === rule.input))
    for (const point of rule.setPoints) fillSpan(minutes, point, point.at)
    return [{ name, days: daysOf(minutes, (at) => formatQuantity(at, quantity, preference)) }]
  })
}
