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
import type { Check } from '@/core/prove/check'
import { brought, terminals, type ProveContext } from '@/core/prove/context'
import { askMost, fastMoment, momentStage, type Moment } from '@/core/prove/fast'
import type { Stage, Values } from '@/core/prove/stage'
import { bring, says } from '@/core/prove/words'
import { pulsesOf, ruleKind } from '@/core/rules/table'

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
      says: says('floor', { fan: response.lead, canMove: canMove ?? false, pauses }),
    },
    rest,
    [{ stage: standing(context, rest), bring: bring('rest') }],
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
      says: says('run-on', { fast: fast.says, toPct: to, expectS }),
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
        says: says('reduction', { fast: fast.says, input, x: inX }),
      },
      brought(context, fast.values, input, outX),
      [
        { stage: stage(outX), bring: bring('not-reduced', { input, x: outX }), brings: input },
        { stage: stage(inX), bring: bring('reduced', { input, x: inX }), brings: input },
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
        says: says('skip-band', { fromPct, toPct }),
        waitS: 60,
      },
      { kind: 'person' },
    ),
  )

/** How long the speed takes from rest to fast. */
export function rateChecks(context: ProveContext): Check[] {
  const { rate } = context.response
  const fast = fastMoment(context)
  if (!rate || fast.says.kind === 'rest') return []
  const before = stateAfter(context, [resting(context.rest)]).fansPct[0]!
  const after = stateAfter(context, [resting(fast.values)]).fansPct[0]!
  const timed = timedCheck(
    context,
    (expectS) => ({
      id: 'rate',
      says: says('rate', { fast: fast.says, fromPct: before, toPct: after, expectS }),
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
  const waitS = context.response.powerReturn?.waitS ?? 0
  const fromPower = (values: Values): { kickPct: number; thenPct: number } => {
    const state = machine.newState()
    machine.step(state, terminals(context, values), 0)
    if (waitS > 0) machine.step(state, terminals(context, values), waitS)
    return { kickPct: state.fansPct[0]!, thenPct: stateAfter(context, [resting(values)]).fansPct[0]! }
  }
  const moments: Moment[] = [
    { values: rest, says: { kind: 'rest' }, waitS: 0 },
    ...machine.rules.flatMap((rule) => askMost(context, rule) ?? []),
  ]
  const found = moments.find(({ values }) => {
    const { kickPct, thenPct } = fromPower(values)
    return thenPct > 0 && kickPct - thenPct >= 8
  })
  if (!found) return []
  const { values } = found
  const { kickPct, thenPct } = fromPower(values)
  const facts = { first: found.says, kickPct, holdS: startKick.holdS, thenPct }
  const stages: Stage[] = [resting(values), { values, forS: 30, power: false }, { values, forS: waitS }]
  const timed = timedCheck(context, () => ({ id: 'start-kick', says: says('start-kick', facts) }), {
    stages,
    fromPct: kickPct,
    toPct: thenPct,
    guessS: startKick.holdS,
  })
  return [
    timed ??
      seenCheck(
        { id: 'start-kick', says: says('start-kick-heard', facts) },
        { kind: 'lead', abovePct: (kickPct + thenPct) / 2 },
        stages,
      ),
  ]
}

/** How long everything stands when power returns. */
export function powerWaitChecks(context: ProveContext): Check[] {
  const { powerReturn } = context.response
  if (!powerReturn) return []
  const { values } = fastMoment(context)
  const stages: Stage[] = [resting(values), { values, forS: 60, power: false }, { values, forS: 0 }]
  const toPct = stateAfter(context, [resting(values)]).fansPct[0]!
  const timed = timedCheck(context, (expectS) => ({ id: 'power-wait', says: says('power-wait', { expectS, toPct }) }), {
    stages,
    fromPct: 0,
    toPct,
    guessS: powerReturn.waitS,
  })
  return timed ? [timed] : []
}

/** What stands when power returns, and that everything set is still set. */
export function powerChecks(context: ProveContext): Check[] {
  const { rest, response } = context
  const off: Stage = { values: rest, forS: 60, power: false }
  const words = { id: 'power', says: says('power', { keepsNothing: (response.keeps ?? []).length === 0 }) }
  const read = speedCheck(context, words, rest, [
    { after: [off], stage: standing(context, rest), bring: bring('power-cut') },
  ])
  return [
    tells(context, read) ? read : seenCheck(words, { kind: 'person' }),
    seenCheck({ id: 'read-back', says: says('read-back') }, { kind: 'person' }),
  ]
}
