import { isUpward } from '@/core/machine/past'
import {
  beyond,
  resting,
  seenCheck,
  speedCheck,
  standing,
  stateAfter,
  tells,
  timeCheck,
  timedCheck,
} from '@/core/prove/build'
import type { Check, Stage, Values } from '@/core/prove/check'
import { brought, fanName, terminals, type ProveContext } from '@/core/prove/context'
import { askMost, fastMoment, momentStage, type Moment } from '@/core/prove/fast'
import { bringText, outputMeter, wayFor } from '@/core/prove/howTo'
import { formatPct, formatTime } from '@/core/quantity/format'
import { pulsesOf, ruleKind } from '@/core/rules/table'

const start = (said: string): string => (said === '' ? 'Let it run' : `${said.charAt(0).toUpperCase()}${said.slice(1)}`)

/** The lead, and every other fan, while nothing asks. */
export function floorChecks(context: ProveContext): Check[] {
  const { response, installation, rest } = context
  const canMove = installation.kit.controller?.settings.some(
    ({ means, enter }) => means === 'ramp.startAt' && enter.way !== 'choose',
  )
  const pauses = response.rules.some((rule) => !rule.off && pulsesOf(rule) !== null)
  const check = speedCheck(
    context,
    {
      id: 'floor',
      title: `Let everything rest and read the ${fanName(context, response.lead)}.`,
      how: `${canMove ? 'If it is already warm, raise the start of the ramp on the controller to bring the floor out, and put it back after.' : 'Wait until nothing runs on.'}${pauses ? ' Read it in the pause of the cycle.' : ''}`,
      ifFails: 'Another rule is asking, or the floor was not kept.',
    },
    rest,
    [{ stage: standing(context, rest), bring: 'Let everything rest.' }],
  )
  return tells(context, check) ? [check] : []
}

/** How long everything goes on when nothing asks any more, where no switch has shown it. */
export function finalRunOnChecks(context: ProveContext): Check[] {
  const { finalRunOn } = context.response
  if (!finalRunOn || context.machine.rules.some((rule) => ruleKind(rule).trigger === 'contact')) return []
  const fast = fastMoment(context)
  const timed = timeCheck(
    context,
    (expectS, _from, to) => ({
      id: 'run-on',
      title: `${start(fast.said)}; then let everything stop asking, and time how long it takes to come down to ${formatPct(to)} %.`,
      how: `${fast.how} It goes on for ${formatTime(expectS)}.`.trim(),
      ifFails: 'The run-on was not kept, or something still asks.',
    }),
    { stages: [resting(context.rest), momentStage(context, fast)], ends: context.rest, guessS: finalRunOn.holdS },
  )
  return timed ? [timed] : []
}

/** With the fan running fast: not reduced, reduced, and back. */
export function reductionChecks(context: ProveContext): Check[] {
  const fast = fastMoment(context)
  return (context.response.reductions ?? []).flatMap(({ input, when, at }, index) => {
    const way = isUpward(when) ? 1 : -1
    const [inX, outX] = [beyond(context, input, at, way), beyond(context, input, at, -way as 1 | -1)]
    const stage = (x: number) => standing(context, brought(context, fast.values, input, x))
    const check = speedCheck(
      context,
      {
        id: `reduction-${index + 1}`,
        title: `${start(fast.said)}; then bring ${bringText(context, input, inX)}.`,
        how: `${fast.how} ${wayFor(context, input, inX)}`.trim(),
        ifFails: 'The reduction was not kept, or it counts in the other way: points, or a share of the present value.',
      },
      brought(context, fast.values, input, outX),
      [
        { stage: stage(outX), bring: `Bring ${bringText(context, input, outX)}: not reduced.`, brings: input },
        { stage: stage(inX), bring: `Bring ${bringText(context, input, inX)}: reduced.`, brings: input },
      ],
    )
    return tells(context, check) ? [check] : []
  })
}

export const bandChecks = (context: ProveContext): Check[] =>
  (context.response.skipBands ?? []).map(({ fromPct, toPct }, index) =>
    seenCheck(
      {
        id: `rest-band-${index + 1}`,
        title: `Bring the speed slowly up through ${formatPct(fromPct)} to ${formatPct(toPct)} %, and down again.`,
        how: 'Listen: the drone must not stand.',
        measureWith: outputMeter(context),
        waitS: 60,
        ifFails: 'The band was not kept, or it lies elsewhere: find the resonance again.',
        expect: `It jumps from ${formatPct(fromPct)} to ${formatPct(toPct)} % going up, and back going down.`,
      },
      { kind: 'person' },
    ),
  )

/** How long the speed takes from rest to fast. */
export function rateChecks(context: ProveContext): Check[] {
  const { rate } = context.response
  const fast = fastMoment(context)
  if (!rate || fast.said === '') return []
  const before = stateAfter(context, [resting(context.rest)]).fansPct[0]!
  const after = stateAfter(context, [resting(fast.values)]).fansPct[0]!
  const timed = timedCheck(
    context,
    (expectS) => ({
      id: 'rate',
      title: `${start(fast.said)} at once, and time it from ${formatPct(before)} to half way to ${formatPct(after)} %.`,
      how: `${formatTime(expectS)}: it moves slowly.`,
      ifFails: 'The rate was not kept.',
    }),
    {
      stages: [resting(context.rest), { values: fast.values, forS: 0 }],
      fromPct: before,
      toPct: after,
      guessS: Math.abs(after - before) / rate.upPctPerS,
    },
  )
  return timed ? [timed] : []
}

/** The kick of a start from rest, as power comes back. */
export function kickChecks(context: ProveContext): Check[] {
  const { startKick } = context.response
  if (!startKick || startKick.holdS < 1) return []
  const { machine, rest } = context
  const fromPower = (values: Values): { kickPct: number; thenPct: number } => {
    const state = machine.newState()
    machine.step(state, terminals(context, values), 0)
    return { kickPct: state.fansPct[0]!, thenPct: stateAfter(context, [resting(values)]).fansPct[0]! }
  }
  const moments: Moment[] = [
    { values: rest, said: '', how: '', waitS: 0 },
    ...machine.rules.flatMap((rule) => askMost(context, rule) ?? []),
  ]
  const found = moments.find(({ values }) => {
    const { kickPct, thenPct } = fromPower(values)
    return thenPct > 0 && kickPct - thenPct >= 8
  })
  if (!found) return []
  const { values } = found
  const { kickPct, thenPct } = fromPower(values)
  const words = {
    id: 'start-kick',
    ifFails: 'Kick not kept, or the output is trimmed: the fan may not start at its floor.',
  }
  const said = `${found.said === '' ? '' : `First ${found.said}. `}It runs at ${formatPct(kickPct)} % for ${formatTime(startKick.holdS)} before it settles at ${formatPct(thenPct)} %. Stand clear.`
  const stages: Stage[] = [resting(values), { values, forS: 30, power: false }, { values, forS: 0 }]
  const timed = timedCheck(
    context,
    () => ({ ...words, title: 'Power off, wait until it stands, power on, and time the start kick.', how: said }),
    {
      stages,
      fromPct: kickPct,
      toPct: thenPct,
      guessS: startKick.holdS,
      measureWith: 'the stopwatch below, by ear',
    },
  )
  return [
    timed ??
      seenCheck(
        {
          ...words,
          title: 'Power off, wait until it stands, power on, and listen to the start.',
          how: said,
          measureWith: 'your ears, or a meter that follows',
          expect: 'It starts fast, and then settles.',
        },
        { kind: 'lead', abovePct: (kickPct + thenPct) / 2 },
        stages,
      ),
  ]
}

/** What stands when power returns, and that everything set is still set. */
export function powerChecks(context: ProveContext): Check[] {
  const { rest, response } = context
  const kept = response.keeps ?? []
  const off: Stage = { values: rest, forS: 60, power: false }
  const words = {
    id: 'power',
    title: 'Power off for a minute, then on, and read the fan when it has settled.',
    how: `Stand clear: the fan restarts by itself. ${kept.length === 0 ? 'What was running on, or latched, is gone.' : 'What it keeps goes on from where it was.'}`,
    ifFails: 'A setting was lost: dial in again, with the save step, and mark the setting as lost without power.',
  }
  const read = speedCheck(context, words, rest, [
    { after: [off], stage: standing(context, rest), bring: 'Power off, wait a minute, power on.' },
  ])
  return [
    tells(context, read)
      ? read
      : seenCheck(
          { ...words, measureWith: 'your ears', expect: 'It runs again by itself, as it did before.' },
          { kind: 'person' },
        ),
    seenCheck(
      {
        id: 'read-back',
        title: 'Read every setting back from the panel.',
        how: 'Compare with the list under Dial in.',
        measureWith: 'the panel',
        ifFails: 'Enter the one that differs again and keep it.',
        expect: 'Each value is the one in the list.',
      },
      { kind: 'person' },
    ),
  ]
}
