import { modeInputs } from '@/core/machine/modeInputs'
import { resting, seenCheck, speedCheck, standing, stateAfter, tells, timedCheck } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { type ProveContext } from '@/core/prove/context'
import type { Values } from '@/core/prove/stage'
import { bring, says } from '@/core/prove/words'
import { isMeasured } from '@/core/rules/input'

/** A moment at which day and night give different speeds; null where they never do. */
function distinguishingMoment(context: ProveContext, day: Values, night: Values): Values | null {
  const { rest, response } = context
  const lead = (values: Values) => stateAfter(context, [resting(values)]).fansPct[0]!
  const tries = [
    rest,
    ...response.inputs.flatMap((input): Values[] =>
      !isMeasured(input)
        ? [{ ...rest, [input.id]: 1 }]
        : [0, 0.25, 0.5, 0.75, 1].map((share) => ({
            ...rest,
            [input.id]: input.from + (input.to - input.from) * share,
          })),
    ),
  ]
  const best = tries
    .map((values) => ({ values, off: Math.abs(lead({ ...values, ...day }) - lead({ ...values, ...night })) }))
    .reduce((most, one) => (one.off > most.off + 0.5 ? one : most))
  return best.off >= 8 ? best.values : null
}

/** How long the other mode takes to come, both ways; by the clock, before and after its minute. */
export function modeChecks(context: ProveContext): Check[] {
  const { response } = context
  const [day, night] = [modeInputs(response, 'day'), modeInputs(response, 'night')]
  if (!day || !night) return []
  const at = distinguishingMoment(context, day, night)
  if (!at) return [seenCheck({ id: 'modes', says: says('modes') }, { kind: 'person' })]
  const byDay = { ...at, ...day }
  const byNight = { ...at, ...night }
  const lead = (values: Values) => stateAfter(context, [resting(values)]).fansPct[0]!
  const [dayPct, nightPct] = [lead(byDay), lead(byNight)]
  if (response.light) {
    const { delayS, input } = response.light
    const night1 = speedCheck(context, { id: 'night-speed', says: says('night-speed', { input }) }, byDay, [
      { stage: standing(context, byDay), bring: bring('light', { input }) },
      { stage: standing(context, byNight, delayS + 30), bring: bring('cover', { input, delayS }) },
    ])
    const times = (
      [
        ['night-comes', byDay, byNight, dayPct, nightPct],
        ['day-comes', byNight, byDay, nightPct, dayPct],
      ] as const
    ).flatMap(([id, from, to, fromPct, toPct]) => {
      const timed = timedCheck(
        context,
        (expectS) => ({ id, says: says('mode-comes', { input, night: id === 'night-comes', expectS }) }),
        { stages: [resting(from), { values: to, forS: 0 }], fromPct, toPct, guessS: Math.max(10, delayS) },
      )
      return timed ? [timed] : []
    })
    return [...(tells(context, night1) ? [night1] : []), ...times]
  }
  return (response.dayByWeek ?? []).slice(0, 3).flatMap((span, index) => {
    const clock = (minute: number) => ((span.days[0]! * 1440 + minute + 10080) % 10080) * 60
    const step = (minute: number, gives: 'night' | 'day' | 'night again') => ({
      stage: standing(context, { ...at, clock: clock(minute) }),
      bring: bring('clock-of-day', { minute, gives }),
    })
    const endMin = span.endMin <= span.startMin ? span.endMin + 1440 : span.endMin
    const check = speedCheck(
      context,
      {
        id: `day-${index + 1}`,
        says: says('day-by-week'),
      },
      { ...at, clock: clock(span.startMin - 2) },
      [step(span.startMin - 2, 'night'), step(span.startMin + 2, 'day'), step(endMin + 2, 'night again')],
    )
    return tells(context, check) ? [check] : []
  })
}
