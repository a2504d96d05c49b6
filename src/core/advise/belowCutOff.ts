import { evaluating, speedFigure } from '@/core/advise/judgement'
import { leastOver, settledAt } from '@/core/advise/reach'
import { says } from '@/core/advise/words'

/** Volts × 10, and off below 2 V. Common practice, no source. */
const CUT_OFF_PCT = 20

/** A fan that takes volts × 10 and is off below 2 V, told to run at less than 20 %: it is told to run, gets 0 V and stands. */
export const belowCutOff = evaluating((where, { kit }, derived) =>
  where.machine.fanIds.flatMap((id, place) => {
    const index = kit.fans.findIndex((fan) => fan.id === id)
    const fan = kit.fans[index]
    if (fan?.signal.kind !== 'volts' || fan.signal.convention !== 'ten-cut-off') return []
    const slowest = leastOver(where, (moment) => {
      const pct = settledAt(where, moment).fansPct[place]!
      return pct > 0 ? pct : Infinity
    }).value
    if (slowest >= CUT_OFF_PCT) return []
    return [
      {
        id: `below-cut-off-${id}`,
        severity: 'fails' as const,
        path: `kit.fans.${index}.signal`,
        says: says('below-cut-off', { fan: fan.name, slowestPct: slowest, cutOffPct: CUT_OFF_PCT }),
        figure: speedFigure(derived, slowest, -1),
        cure: null,
      },
    ]
  }),
)
