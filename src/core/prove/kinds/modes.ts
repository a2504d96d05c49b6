import { modeInputs } from '@/core/machine/modeInputs'
import { resting, seenCheck, speedCheck, standing, stateAfter, tells, timedCheck } from '@/core/prove/build'
import type { Check, Values } from '@/core/prove/check'
import { inputOf, type ProveContext } from '@/core/prove/context'
import { outputMeter } from '@/core/prove/howTo'
import { clockText } from '@/core/quantity/clock'
import { formatTime } from '@/core/quantity/format'
import { isMeasured } from '@/core/rules/input'

/** A moment at which day and night give different speeds; null where they never do. */
function tellingMoment(context: ProveContext, day: Values, night: Values): Values | null {
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
  const at = tellingMoment(context, day, night)
  if (!at)
    return [
      seenCheck(
        {
          id: 'modes',
          title: 'Look whether day and night are told apart: cover the sensor, or set the clock.',
          how: 'No speed differs between them at a moment that can be brought about.',
          measureWith: 'the panel',
          ifFails: 'Level, delay or clock was not kept.',
          expect: 'The panel shows the other mode.',
        },
        { kind: 'person' },
      ),
    ]
  const byDay = { ...at, ...day }
  const byNight = { ...at, ...night }
  const lead = (values: Values) => stateAfter(context, [resting(values)]).fansPct[0]!
  const [dayPct, nightPct] = [lead(byDay), lead(byNight)]
  if (response.light) {
    const { delayS, input } = response.light
    const name = inputOf(context, input)?.name ?? input
    const read = (id: string, title: string, values: Values) =>
      speedCheck(
        context,
        {
          id,
          title,
          how: 'Any light starts the count anew: cover it well.',
          ifFails: 'Level or delay was not kept, or stray light reaches the sensor.',
        },
        byDay,
        [
          { stage: standing(context, byDay), bring: `Let light fall on ${name}.` },
          { stage: standing(context, values, delayS + 30), bring: `Cover ${name} for ${formatTime(delayS)} and more.` },
        ],
      )
    const night1 = read('night-speed', `Cover ${name}, and read what night gives.`, byNight)
    const times = (
      [
        ['night-comes', `Cover ${name} and time how long it stays day.`, byDay, byNight, dayPct, nightPct],
        ['day-comes', `Uncover ${name} and time how long it stays night.`, byNight, byDay, nightPct, dayPct],
      ] as const
    ).flatMap(([id, title, from, to, fromPct, toPct]) => {
      const timed = timedCheck(
        context,
        (expectS) => ({
          id,
          title,
          how: `It waits ${formatTime(expectS)}; any light starts the count anew.`,
          ifFails: 'Level or delay was not kept, or stray light reaches the sensor.',
        }),
        { stages: [resting(from), { values: to, forS: 0 }], fromPct, toPct, guessS: Math.max(10, delayS) },
      )
      return timed ? [timed] : []
    })
    return [...(tells(context, night1) ? [night1] : []), ...times]
  }
  return (response.dayByWeek ?? []).slice(0, 3).flatMap((span, index) => {
    const clock = (minute: number) => ((span.days[0]! * 1440 + minute + 10080) % 10080) * 60
    const step = (minute: number, said: string) => ({
      stage: standing(context, { ...at, clock: clock(minute) }),
      bring: `Set the clock to ${clockText((minute + 1440) % 1440)}: ${said}.`,
    })
    const endMin = span.endMin <= span.startMin ? span.endMin + 1440 : span.endMin
    const check = speedCheck(
      context,
      {
        id: `day-${index + 1}`,
        title: 'Set the clock to before day begins, into it, and past its end.',
        how: 'Put the right time back afterwards.',
        ifFails: 'A period of the day was not kept, or the clock is wrong.',
      },
      { ...at, clock: clock(span.startMin - 2) },
      [step(span.startMin - 2, 'night'), step(span.startMin + 2, 'day'), step(endMin + 2, 'night again')],
    )
    return tells(context, check) ? [{ ...check, measureWith: outputMeter(context) }] : []
  })
}
