import { resting, seenCheck, speedCheck, standing, tells, timeCheck } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { inputOf, leavesOf, roleIn, type ProveContext } from '@/core/prove/context'
import { fansAfter } from '@/core/prove/expect'
import { askMost, fastMoment, momentStage } from '@/core/prove/fast'
import type { Values } from '@/core/prove/stage'
import { bring, says, type MomentSays } from '@/core/prove/words'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'

/** Each probe that can be unplugged, alone; and together those that are read as one. From rest, or from where it asks most: where that what a
 *  lost probe gives differs from what stood before. */
function lostChecks(context: ProveContext): Check[] {
  const { machine, response, installation, rest } = context
  const builtIn = new Set(installation.kit.probes.filter(({ builtIn: is }) => is).map(({ input }) => input))
  const canUnplug = (id: string): boolean => {
    const input = inputOf(context, id)
    return input !== undefined && !builtIn.has(id) && roleIn(context, input) !== 'body'
  }
  const check = (input: MeasuredInput, ids: readonly string[]): Check[] => {
    const lost = Object.fromEntries(ids.map((leaf) => [leaf, NaN]))
    const from = (base: Values, first: MomentSays, waitS = 0, brings?: string) => {
      const stage = standing(context, { ...base, ...lost })
      const leadPct = fansAfter(context, [resting(base), stage])[0]!
      const before = first.kind === 'rest' ? bring('rest') : bring('after-moment', { moment: first })
      return speedCheck(
        context,
        { id: `${input.id}-lost`, says: says('lost', { inputs: ids, first, leadPct }) },
        base,
        [
          { stage: standing(context, base, waitS), bring: before, ...(brings === undefined ? {} : { brings }) },
          { stage, bring: bring('unplug', { inputs: ids }) },
        ],
      )
    }
    const most = machine.rules.flatMap((rule) =>
      'input' in rule && (rule.input === input.id || leavesOf(context, rule.input).includes(input))
        ? (askMost(context, rule) ?? [])
        : [],
    )
    const tries = [
      () => from(rest, { kind: 'rest' }),
      ...most.map(
        ({ values, says: first, waitS }) =>
          () =>
            from(values, first, waitS, input.id),
      ),
    ]
    for (const make of tries) {
      const made = make()
      if (tells(context, made)) return [made]
    }
    return []
  }
  return response.inputs.flatMap((input) => {
    if (!isMeasured(input)) return []
    if (!input.combines) return canUnplug(input.id) ? check(input, [input.id]) : []
    const leaves = leavesOf(context, input.id).map(({ id }) => id)
    return leaves.length > 1 && leaves.every(canUnplug) ? check(input, leaves) : []
  })
}

/** Isolator and stop, the test, the heat of the controller, what a heater is left. */
export function overrideChecks(context: ProveContext): Check[] {
  const { response, rest } = context
  const { isolated, safetyStop, overheat, test } = response.overrides ?? {}
  const fast = fastMoment(context)
  const stop = (key: 'isolated' | 'safety-stop', input: string): Check =>
    seenCheck({ id: key, waitS: 30, says: says(key, { input, fast: fast.says }) }, { kind: 'fans' }, [
      resting(rest),
      momentStage(context, fast),
      { values: { ...fast.values, [input]: 1 }, forS: 30 },
    ])
  const heat = overheat && says('overheat', { onAt: overheat.onAt, offBelow: overheat.offBelow })
  return [
    ...lostChecks(context),
    ...(isolated === undefined ? [] : [stop('isolated', isolated)]),
    ...(safetyStop === undefined ? [] : [stop('safety-stop', safetyStop)]),
    ...(heat ? [seenCheck({ id: 'overheat', says: heat }, { kind: 'person' })] : []),
    ...(test
      ? [
          speedCheck(context, { id: 'test', says: says('test', test) }, rest, [
            { stage: standing(context, { ...rest, [test.input]: 1 }), bring: bring('test-on') },
          ]),
        ]
      : []),
    ...heaterPurgeChecks(context),
  ]
}

/** Air while heat is given, and after it has ended. */
function heaterPurgeChecks(context: ProveContext): Check[] {
  const { response, rest } = context
  const { heaterPurge } = response
  if (!heaterPurge) return []
  const { input, speedPct, holdS } = heaterPurge
  const heating = { ...rest, [input]: 1 }
  const speed = speedCheck(
    context,
    { id: 'cool-down-speed', says: says('heater-purge-speed', { input, speedPct }) },
    rest,
    [
      { stage: standing(context, rest), bring: bring('no-heat') },
      { stage: standing(context, heating), bring: bring('heat') },
    ],
  )
  const after = timeCheck(
    context,
    (expectS, _from, toPct) => ({ id: 'cool-down', says: says('heater-purge', { toPct, expectS }) }),
    { stages: [resting(rest), standing(context, heating)], ends: rest, guessS: holdS },
  )
  return [...(tells(context, speed) ? [speed] : []), ...(after ? [after] : [])]
}
