import { expectStep } from '@/core/prove/expect'
import type { CheckOf } from '@/core/prove/check'
import { measuredOf, type ProveContext } from '@/core/prove/context'
import type { StepReading } from '@/core/prove/reading'
import { readPct } from '@/core/prove/verdict'
import { formatPct, formatQuantity, type UnitPreference } from '@/core/quantity/format'
import { inputQuantity } from '@/core/rules/input'

/** What may lie behind a reading that fails, with the next look. */
export type Cause = {
  readonly code: 'probe' | 'step' | 'setting' | 'wiring' | 'fan'
  readonly title: string
  readonly look: string
}

/** A probe that is so much off would explain it; more is no matter of the probe. Common practice, no source. */
const MOST_PROBE_OFF = 5

/** How far the input would have to be off for the speed that was read to be right: the least step up or down of its own digits; null where none
 *  within reason explains it. */
function probeOff(
  context: ProveContext,
  check: CheckOf<'speed'>,
  step: number,
  readings: readonly StepReading[],
  failing: string,
): { readonly input: string; readonly by: number } | null {
  const [input] = check.steps[step]!.reads
  const reading = readings[step]
  const at = input === undefined ? undefined : reading?.inputs[input]
  const measured = input === undefined ? undefined : measuredOf(context, input)
  if (input === undefined || at === undefined || !reading || !measured) return null
  const unitStep = (measured.to - measured.from) / 200
  for (let steps = 1; steps * unitStep <= MOST_PROBE_OFF; steps++)
    for (const by of [steps * unitStep, -steps * unitStep]) {
      const moved = readings.map((one, index) =>
        index === step ? { ...one, inputs: { ...one.inputs, [input]: at + by } } : one,
      )
      const there = expectStep(context, check, step, moved).find(({ fan }) => fan === failing)
      const read = readPct(context, reading, failing)
      if (there && read !== undefined && read >= there.lowPct && read <= there.highPct)
        return { input: measured.name, by }
    }
  return null
}

/** The likeliest causes of a speed that is not as it should be, the likeliest first: what explains the figure before what is only common.
 *  Common practice, no source. */
export function likelyCauses(
  context: ProveContext,
  check: CheckOf<'speed'>,
  readings: readonly StepReading[],
  preference: UnitPreference,
): Cause[] {
  for (const [step, reading] of readings.entries()) {
    const failing = expectStep(context, check, step, readings)
      .map((expected) => ({ ...expected, read: readPct(context, reading, expected.fan) }))
      .find(({ read, lowPct, highPct }) => read !== undefined && (read < lowPct || read > highPct))
    if (!failing || failing.read === undefined) continue
    const { read, expectPct } = failing
    if (read <= 0 && expectPct > 0)
      return [
        { code: 'fan', title: 'The fan does not run at all.', look: 'Go through “a fan that does not run” below.' },
        {
          code: 'setting',
          title: 'Its output is switched off on the panel.',
          look: 'Read back the settings of this output.',
        },
      ]
    const off = probeOff(context, check, step, readings, failing.fan)
    const input = context.response.inputs.find(({ name }) => name === off?.input)
    const by =
      off &&
      formatQuantity(
        Math.abs(off.by),
        inputQuantity(input) === 'temperature' ? 'temperatureDifference' : inputQuantity(input),
        preference,
      )
    const { steps } = context.response
    const isOneStep = steps.stepPct > 0 && Math.abs(Math.abs(read - expectPct) - steps.stepPct) < 0.6 * steps.stepPct
    return [
      ...(off
        ? [
            {
              code: 'probe' as const,
              title: `The probe reads ${by} ${off.by > 0 ? 'high' : 'low'}: then ${formatPct(read, preference)} % is right.`,
              look: 'Put your instrument beside the probe, out of draught, and compare with what the panel shows.',
            },
          ]
        : []),
      ...(isOneStep
        ? [
            {
              code: 'step' as const,
              title: `It is one step (${formatPct(steps.stepPct, preference)} %) away.`,
              look: 'Bring the input a little further from where it steps, and read again.',
            },
          ]
        : []),
      {
        code: 'setting',
        title: 'A setting is not what it should be.',
        look: 'Read back every setting of this rule under Dial in, All settings.',
      },
      {
        code: 'wiring',
        title: 'The signal is lost on the way, or the wrong fan is on this output.',
        look: 'With a meter: volts at the terminals of the controller and at the fan, at the same moment.',
      },
    ]
  }
  return []
}
