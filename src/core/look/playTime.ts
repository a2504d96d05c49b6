import type { Machine } from '@/core/machine/compile'
import type { MachineState } from '@/core/machine/state'
import { WEEK_S } from '@/core/rules/week'

const DAY_S = 86_400

type Values = Readonly<Record<string, number>>

/** A stretch of time that passes: the inputs as they stand then, and a switch that is on for its first part. */
export type Stretch = {
  readonly values: Values
  readonly lastsS: number
  readonly pulse: { readonly input: string; readonly onForS: number } | null
}

export type TracePoint = { readonly atS: number; readonly pct: number }
export type Played = {
  readonly state: MachineState
  /** The inputs at the end: as they stand now, with the clock where the time has brought it. */
  readonly values: Values
  /** Speed of the lead all along. */
  readonly trace: readonly TracePoint[]
  readonly passedS: number
}

/** Steps no longer than this, and at least so many in a stretch: short enough to see a kick, few enough for a day. */
const LONGEST_STEP_S = 60
const LEAST_STEPS = 240

/** Lets time pass over stretches, one after the other, and ends with the inputs as they stand `now`. It begins settled; the machine's own
 *  state goes through all of it, so that an overrun, a rapid rise or a mode stands where it would. */
export function playTime(machine: Machine, stretches: readonly Stretch[], now: Values): Played {
  const first = stretches[0]?.values ?? now
  const startClock = first.clock ?? NaN
  const state = machine.settledState(machine.inputsFrom(first))
  const trace: TracePoint[] = [{ atS: 0, pct: state.fansPct[0]! }]
  let passedS = 0
  const startDate = (first.date ?? NaN) + ((startClock || 0) % DAY_S) / DAY_S
  const clockAt = (s: number) => (Number.isNaN(startClock) ? NaN : (startClock + s) % WEEK_S)
  const step = (values: Values, dtS: number) => {
    passedS += dtS
    machine.step(
      state,
      machine.inputsFrom({ ...values, clock: clockAt(passedS), date: startDate + passedS / DAY_S }),
      dtS,
    )
    trace.push({ atS: passedS, pct: state.fansPct[0]! })
  }
  for (const { values, lastsS, pulse } of stretches) {
    const pulsed: Values = pulse ? { ...values, [pulse.input]: 1 } : values
    const onS = pulse ? Math.min(pulse.onForS, lastsS) : 0
    // A switch that is thrown is seen at once: the machine looks before the time passes, and again when it is let go.
    if (onS > 0) step(pulsed, 0)
    for (const [of, forS] of [
      [pulsed, onS],
      [values, lastsS - onS],
    ] as const) {
      if (forS <= 0) continue
      if (of === values) step(values, 0)
      const steps = Math.max(LEAST_STEPS, Math.ceil(forS / LONGEST_STEP_S))
      for (let index = 0; index < steps; index++) step(of, forS / steps)
    }
  }
  if (stretches.length > 0) step(now, 0)
  return {
    state,
    values: stretches.length > 0 ? { ...now, clock: clockAt(passedS), date: startDate + passedS / DAY_S } : now,
    trace,
    passedS,
  }
}
