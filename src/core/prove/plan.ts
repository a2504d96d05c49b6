import { assertNever } from '@/core/assertNever'
import type { Kit } from '@/core/kit/schema'
import type { Machine } from '@/core/response/compile'
import { partChecks } from '@/core/prove/partChecks'
import { quietInputs } from '@/core/response/quietInputs'
import { ruleName } from '@/core/response/words'
import type { Differential, MeasuredInput, Ramp, Response, Rule, SwitchRule } from '@/core/response/schema'
import { formatQuantity, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'

/** One thing to do and see. `speed` checks are judged at the input really read, `time` by the stopwatch, `seen` by the eye. */
export type Check = {
  readonly id: string
  readonly title: string
  readonly how: string
  readonly measureWith: string
  readonly waitS: number
  readonly ifFails: string
} & (
  | { readonly kind: 'speed'; readonly inputs: Readonly<Record<string, number>>; readonly readInput: string | null }
  | { readonly kind: 'time'; readonly expectS: number; readonly fromReadingS: number | null }
  | { readonly kind: 'seen'; readonly expect: string }
)

const HOW_TO_CHANGE: Record<MeasuredInput['kind'], string> = {
  temperature: 'A cupped hand is enough for a few degrees. Keep it out of your breath, which carries damp.',
  humidity: 'Breathe on the sensor from a hand’s width, and let it settle.',
  pressure: 'Use the test port, and read the gauge while it is steady.',
  light: 'Cover the sensor with a hand, or shine a lamp on it; wait for its delay.',
}

function rampChecks(response: Response, ramp: Ramp, preference: UnitPreference): Check[] {
  const input = response.inputs.find(({ id }) => id === ramp.input)
  if (!input || input.kind === 'switch') return []
  const points = [
    { key: 'start', x: ramp.startAt },
    { key: 'half', x: (ramp.startAt + ramp.fullAt) / 2 },
    { key: 'full', x: ramp.fullAt },
  ]
  return points.map(({ key, x }) => ({
    kind: 'speed',
    id: `${ramp.id}-${key}`,
    title: `Bring ${input.name} to ${formatQuantity(x, input.kind, preference)} and hold it there for a minute.`,
    how: HOW_TO_CHANGE[input.kind],
    measureWith: 'a reference thermometer or hygrometer at the probe, and a meter or the display at the output',
    waitS: 60,
    ifFails:
      key === 'start'
        ? 'Start point not kept, or the probe reads off: read the setting back, then compare the probe.'
        : 'Span or top speed not kept, or another rule is asking: read the settings back.',
    inputs: { ...quietInputs(response), [input.id]: x },
    readInput: input.id,
  }))
}

function switchChecks(response: Response, rule: SwitchRule): Check[] {
  const name = ruleName(response, rule)
  const on: Check = {
    kind: 'speed',
    id: `${rule.id}-on`,
    title: `Switch the ${name} on.`,
    how: rule.onDelayS > 0 ? `It answers after ${formatTime(rule.onDelayS)}.` : 'It answers at once.',
    measureWith: 'a meter or the display at the output',
    waitS: Math.max(10, rule.onDelayS),
    ifFails: 'Wrong terminal, contact the other way round, or the boost speed was not kept.',
    inputs: { ...quietInputs(response), [rule.input]: 1 },
    readInput: null,
  }
  if (rule.overrun.kind === 'none') return [on]
  const { overrun } = rule
  const expectS =
    overrun.kind === 'fixed' ? overrun.holdS : Math.max(overrun.floorS, Math.min(overrun.capS, overrun.factor * 120))
  return [
    on,
    {
      kind: 'time',
      id: `${rule.id}-overrun`,
      title: `Switch the ${name} off and time how long it runs on.`,
      how:
        overrun.kind === 'fixed'
          ? 'The time is the same however long it was on.'
          : 'Leave it on for 2 minutes first: it runs on as long as it was on.',
      measureWith: 'the stopwatch below',
      waitS: expectS,
      ifFails: 'Overrun not kept, or another rule still asks for this speed.',
      expectS,
      fromReadingS: overrun.kind === 'matched' ? 120 : null,
    },
  ]
}

function differentialChecks(response: Response, rule: Differential, preference: UnitPreference): Check[] {
  const input = response.inputs.find(({ id }) => id === rule.input)
  if (!input || input.kind === 'switch') return []
  const common = {
    how: HOW_TO_CHANGE[input.kind],
    measureWith: 'a reference at the probe, and a meter or the display at the output',
    waitS: Math.max(60, rule.minOnS, rule.minOffS),
    readInput: input.id,
  }
  return [
    {
      kind: 'speed',
      id: `${rule.id}-on`,
      title: `Bring ${input.name} to ${formatQuantity(rule.onAt, input.kind, preference)}: it comes on.`,
      ifFails: 'The point or its differential was not kept, or the controller counts it the other way.',
      inputs: { ...quietInputs(response), [input.id]: rule.onAt },
      ...common,
    },
    {
      kind: 'speed',
      id: `${rule.id}-off`,
      title: `Bring ${input.name} back to ${formatQuantity(rule.offAt, input.kind, preference)}: it goes off.`,
      ifFails: 'The differential was not kept, or another rule is asking.',
      inputs: { ...quietInputs(response), [input.id]: rule.offAt },
      ...common,
    },
  ]
}

const STOPWATCH = 'the stopwatch below'

function ruleChecks(response: Response, rule: Rule, preference: UnitPreference): Check[] {
  const name = ruleName(response, rule)
  switch (rule.kind) {
    case 'ramp':
      return rampChecks(response, rule, preference)
    case 'switch':
      return switchChecks(response, rule)
    case 'differential':
      return differentialChecks(response, rule, preference)
    case 'surge':
      return [
        {
          kind: 'seen',
          id: `${rule.id}-surge`,
          title: `Make a quick rise for the ${name}.`,
          how: 'Breathe on the sensor, or hold a warm damp cloth near it.',
          measureWith: 'a meter or the display at the output',
          waitS: rule.windowS,
          ifFails: 'The rise or its window was not kept, or the sensor is slow or covered.',
          expect: `It runs at ${rule.speedPct} % within the window, and comes down again by itself.`,
        },
      ]
    case 'week':
      return [
        {
          kind: 'seen',
          id: `${rule.id}-week`,
          title: 'Set the clock to a minute before each period begins and ends.',
          how: 'Put the right time back afterwards.',
          measureWith: 'a meter or the display at the output',
          waitS: 120,
          ifFails: 'Day, time or speed of the period was not kept, or the clock is wrong.',
          expect: 'Each period begins and ends at its minute.',
        },
      ]
    case 'cycle':
      return [
        {
          kind: 'time',
          id: `${rule.id}-cycle`,
          title: 'Time how long it is on in one period.',
          how: 'From its coming on to its going off.',
          measureWith: STOPWATCH,
          waitS: rule.periodS,
          ifFails: 'The times were not kept, or another rule is asking.',
          expectS: rule.onS,
          fromReadingS: null,
        },
      ]
    case 'after-run':
      return [
        {
          kind: 'time',
          id: `${rule.id}-after`,
          title: `Let the ${name} fall to its threshold and time how long it runs on.`,
          how: 'It warns at the threshold; the time counts from there.',
          measureWith: STOPWATCH,
          waitS: rule.holdS,
          ifFails: 'The threshold or the time was not kept.',
          expectS: rule.holdS,
          fromReadingS: null,
        },
      ]
    default:
      return assertNever(rule)
  }
}

/** Everything to carry out for a given response, in the order in which a hand would do it. */
export function provePlan(machine: Machine, kit: Kit, preference: UnitPreference = METRIC): Check[] {
  const { response } = machine
  const named = (fanId: string): string => kit.fans.find(({ id }) => id === fanId)?.name ?? fanId
  const checks: Check[] = [
    {
      kind: 'speed',
      id: 'floor',
      title: `Let everything rest and read the ${named(response.lead)} at its floor.`,
      how: 'If the room is already warm, raise the ramp start on the controller to bring the floor out, and put it back after.',
      measureWith: 'a meter or the display at the output',
      waitS: 60,
      ifFails: 'Another rule is asking, or the floor was not kept.',
      inputs: quietInputs(response),
      readInput: null,
    },
  ]
  for (const rule of machine.rules) checks.push(...ruleChecks(response, rule, preference))
  checks.push(...partChecks(response, named, preference))
  if (response.startKick)
    checks.push({
      kind: 'time',
      id: 'start-kick',
      title: 'Stop the fan, start it again, and time the start kick.',
      how: `It should run at ${response.startKick.speedPct} % before it settles.`,
      measureWith: 'the stopwatch below, by ear',
      waitS: response.startKick.holdS,
      ifFails: 'Kick not kept, or the output is trimmed: the fan may not start at its floor.',
      expectS: response.startKick.holdS,
      fromReadingS: null,
    })
  checks.push(
    {
      kind: 'seen',
      id: 'power',
      title: 'Power off for a minute, then on.',
      how: 'Stand clear: the fan restarts by itself.',
      measureWith: 'your eyes and ears',
      waitS: 60,
      ifFails: 'A setting was lost: dial in again, with the save step, and mark the setting as lost without power.',
      expect: 'The fan starts from rest by itself and comes back to the same speed.',
    },
    {
      kind: 'seen',
      id: 'read-back',
      title: 'Read every setting back from the panel.',
      how: 'Compare with the list under Dial in.',
      measureWith: 'the panel',
      waitS: 0,
      ifFails: 'Enter the one that differs again and keep it.',
      expect: 'Each value is the one in the list.',
    },
  )
  return checks
}
