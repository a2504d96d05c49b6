import type { Kit } from '@/core/kit/schema'
import type { Machine } from '@/core/response/compile'
import { ruleName } from '@/core/response/words'
import type { MeasuredInput, Ramp, Response, SwitchRule } from '@/core/response/schema'
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
}

/** Inputs at which only this one can be asking: the others below their rules, switches off. */
function quiet(response: Response): Record<string, number> {
  return Object.fromEntries(
    response.inputs.map((input) => {
      if (input.kind === 'switch') return [input.id, 0]
      const ramps = response.rules.filter(
        (rule): rule is Ramp => rule.kind === 'ramp' && rule.input === input.id && !rule.off,
      )
      const falling = ramps.some(({ startAt, fullAt }) => fullAt < startAt)
      return [input.id, falling ? input.to : input.from]
    }),
  )
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
    inputs: { ...quiet(response), [input.id]: x },
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
    inputs: { ...quiet(response), [rule.input]: 1 },
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

/** Everything to carry out for a given response, in the order in which a hand would do it. */
export function provePlan(machine: Machine, kit: Kit, preference: UnitPreference = METRIC): Check[] {
  const { response } = machine
  const lead = kit.fans.find(({ id }) => id === response.lead)?.name ?? response.lead
  const checks: Check[] = [
    {
      kind: 'speed',
      id: 'floor',
      title: `Let everything rest and read the ${lead} at its floor.`,
      how: 'If the room is already warm, raise the ramp start on the controller to bring the floor out, and put it back after.',
      measureWith: 'a meter or the display at the output',
      waitS: 60,
      ifFails: 'Another rule is asking, or the floor was not kept.',
      inputs: quiet(response),
      readInput: null,
    },
  ]
  for (const rule of machine.rules)
    checks.push(...(rule.kind === 'ramp' ? rampChecks(response, rule, preference) : switchChecks(response, rule)))
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
