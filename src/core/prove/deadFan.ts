import { formatNumber, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Fan } from '@/core/kit/schema'
import { fanSignal } from '@/core/kit/fanSignal'
import { signalAt } from '@/core/physics/signal'
import { signalText } from '@/core/physics/signalText'
import type { Response } from '@/core/response/schema'

/** One look at a fan that does not run: what is isolated first, who may, what is found where all is well. */
export type DeadFanLook = {
  readonly id: 'supply' | 'fuse' | 'output' | 'signal' | 'motor'
  readonly title: string
  readonly first: string
  readonly who: 'anyone' | 'competent' | 'licensed'
  readonly expect: string
}

const LIVE = 'Covers stay on: measure only at points that are made for it, or let a licensed person do it.'
const ISOLATE = 'Isolate at the isolator, lock it, and prove dead before a cover comes off.'

/** What a phase-cut or transformer output may be off at a given level and still be right, as a share: a meter that is not true RMS reads it low.
 *  Common practice, no source. */
const CUT_TOLERANCE = 0.15
const SIGNAL_TOLERANCE_V = 0.3

/** The looks at a fan that does not run, in the order that costs least and opens least: supply, fuse, output, signal, motor.
 *  @param speedPct the speed that is asked of it now */
export function deadFanLooks(
  fan: Fan,
  response: Response,
  speedPct: number,
  preference: UnitPreference = METRIC,
): DeadFanLook[] {
  const signal = fanSignal(fan, response)
  const now = signalAt(signal, speedPct)
  const isSignal = signal.kind === 'volts' || signal.kind === 'pwm'
  const around =
    now.unit === 'V'
      ? isSignal
        ? `${signalText(now, preference)} ± ${formatNumber(SIGNAL_TOLERANCE_V, 1, preference)} V`
        : `${signalText(now, preference)} ± ${Math.round(now.value * CUT_TOLERANCE)} V. Less than the supply is right here: the output is cut down to the speed`
      : signalText(now, preference)
  return [
    {
      id: 'supply',
      title: 'Is there a supply at the isolator?',
      first: LIVE,
      who: 'competent',
      expect:
        'The isolator is on, its lamp or the panel is lit. Where two supplies come in (permanent and switched live), both.',
    },
    {
      id: 'fuse',
      title: 'Is the fuse whole?',
      first: ISOLATE,
      who: 'competent',
      expect:
        'It is whole, and of the rating on the plate. One that has gone went for a reason: look at the motor before a new one.',
    },
    isSignal
      ? {
          id: 'signal',
          title: 'Does the signal leave the controller?',
          first: 'The signal is low voltage; the terminals beside it may not be. Isolate before a lead is moved.',
          who: 'competent',
          expect: `At the signal terminals ${around}. Nothing there: the output, or a setting that switches it off. There, and not at the fan: the lead.`,
        }
      : {
          id: 'output',
          title: 'Does the output give what it should?',
          first: LIVE,
          who: 'licensed',
          expect: `At the output terminals ${around}. Nothing: the controller. As expected, and the fan stands: the lead or the motor.`,
        },
    {
      id: 'motor',
      title: 'Does the motor turn by hand, and is it whole?',
      first: ISOLATE,
      who: isSignal ? 'competent' : 'licensed',
      expect:
        'It turns freely. A capacitor, windings and thermal contact are for who may open it; one that hums and stands is switched off at once.',
    },
  ]
}
