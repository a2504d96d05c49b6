import { resting, seenCheck, speedCheck, standing, tells, timeCheck } from '@/core/prove/build'
import type { Check, Values } from '@/core/prove/check'
import { inputOf, leavesOf, roleIn, type ProveContext } from '@/core/prove/context'
import { fansAfter } from '@/core/prove/expect'
import { askMost, fastMoment, momentStage } from '@/core/prove/fast'
import { formatPct, formatQuantity, formatTime } from '@/core/quantity/format'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'

const sentence = (said: string): string => `${said.charAt(0).toUpperCase()}${said.slice(1)}`
const nameOf = (context: ProveContext, id: string): string => inputOf(context, id)?.name ?? id

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
    const names = ids.map((leaf) => nameOf(context, leaf)).join(' and ')
    const from = (base: Values, said: string, how = '', waitS = 0, brings?: string) => {
      const stage = standing(context, { ...base, ...lost })
      const after = fansAfter(context, [resting(base), stage])
      return speedCheck(
        context,
        {
          id: `${input.id}-lost`,
          title: `Unplug the ${ids.length > 1 ? 'probes' : 'probe'} for ${names}.`,
          how: `${how}The lead goes to ${formatPct(after[0]!)} %. Plug in again afterwards, and see that the reading comes back.`,
          ifFails: 'It does not do on a lost probe what it should: do not leave it alone like this.',
        },
        base,
        [
          { stage: standing(context, base, waitS), bring: said, ...(brings === undefined ? {} : { brings }) },
          { stage, bring: `Unplug ${names}.` },
        ],
      )
    }
    const most = machine.rules.flatMap((rule) =>
      'input' in rule && (rule.input === input.id || leavesOf(context, rule.input).includes(input))
        ? (askMost(context, rule) ?? [])
        : [],
    )
    const tries = [
      () => from(rest, 'Let everything rest.'),
      ...most.map(
        ({ values, said, how, waitS }) =>
          () =>
            from(values, `${sentence(said)} first.`, `${how} `, waitS, input.id),
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
  const { heaterPurge } = response
  const fast = fastMoment(context)
  const runsFast = fast.said === '' ? 'while the fan runs' : `while the fan runs fast (${fast.said})`
  const stop = (id: string, key: string, title: string, measureWith: string): Check =>
    seenCheck(
      {
        id: key,
        title,
        how: 'Stand clear: the fan restarts by itself when it is turned on again.',
        measureWith,
        waitS: 30,
        ifFails: 'It does not stop everything: do not work on it, and find the second supply.',
        expect: 'Every fan stands.',
      },
      { kind: 'fans' },
      [resting(rest), momentStage(context, fast), { values: { ...fast.values, [id]: 1 }, forS: 30 }],
    )
  const checks: Check[] = [...lostChecks(context)]
  if (isolated !== undefined)
    checks.push(
      stop(
        isolated,
        'isolated',
        `Turn the isolator (${nameOf(context, isolated)}) off ${runsFast}.`,
        'a proven tester at the terminals',
      ),
    )
  if (safetyStop !== undefined)
    checks.push(
      stop(
        safetyStop,
        'safety-stop',
        `Press the safety stop (${nameOf(context, safetyStop)}) ${runsFast}.`,
        'your eyes',
      ),
    )
  if (overheat)
    checks.push(
      seenCheck(
        {
          id: 'overheat',
          title: 'Look whether the heat lamp is lit, and what the leaflet says of its test.',
          how: 'Never heat the controller to try it.',
          measureWith: 'your eyes',
          ifFails: 'It has been too hot since power came: move it to a cooler place.',
          expect: `The lamp is dark. At ${formatQuantity(overheat.onAt, 'temperature', context.preference)} it would run full until below ${formatQuantity(overheat.offBelow, 'temperature', context.preference)}.`,
        },
        { kind: 'person' },
      ),
    )
  if (test)
    checks.push(
      speedCheck(
        context,
        {
          id: 'test',
          title: `Turn the test switch (${nameOf(context, test.input)}) on, then off.`,
          how: `It holds ${formatPct(test.speedPct)} % while it is on.`,
          ifFails: 'The test speed was not kept, or the switch is on the wrong terminal.',
        },
        rest,
        [{ stage: standing(context, { ...rest, [test.input]: 1 }), bring: 'Turn the test switch on.' }],
      ),
    )
  if (heaterPurge) {
    const heating = { ...rest, [heaterPurge.input]: 1 }
    const speed = speedCheck(
      context,
      {
        id: 'cool-down-speed',
        title: `Let it give heat (${nameOf(context, heaterPurge.input)}), and read the fan.`,
        how: `Not less than ${formatPct(heaterPurge.speedPct)} % while heat is given.`,
        ifFails: 'The heater would be left without air: do not leave it like this.',
      },
      rest,
      [
        { stage: standing(context, rest), bring: 'Give no heat.' },
        { stage: standing(context, heating), bring: 'Let it give heat.' },
      ],
    )
    if (tells(context, speed)) checks.push(speed)
    const after = timeCheck(
      context,
      (expectS, _from, to) => ({
        id: 'cool-down',
        title: `End the heat, and time how long the fan goes on before it comes down to ${formatPct(to)} %.`,
        how: `${formatTime(expectS)}, even when it is switched off.`,
        ifFails: 'The heater would be left without air: do not leave it like this.',
      }),
      { stages: [resting(rest), standing(context, heating)], ends: rest, guessS: heaterPurge.holdS },
    )
    if (after) checks.push(after)
  }
  return checks
}
