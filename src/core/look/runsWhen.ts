import type { Machine } from '@/core/machine/compile'
import { WEEK_MIN, WEEK_S } from '@/core/rules/week'

export type RunsWhen = {
  /** Speed given to the lead at every minute of the week. */
  readonly minutesPct: Float64Array
  /** The longest time in a row in which no fan turns (s); the whole week where none ever does. */
  readonly longestStillS: number
  /** The minute of the week at which that time begins; null where some fan always turns. */
  readonly stillFromMin: number | null
}

/** What runs when, by the clock alone: every other input stays as tried. The first day is run twice, so that Monday begins as a week does
 *  that has been running. */
export function runsWhen(machine: Machine, rest: Readonly<Record<string, number>>): RunsWhen {
  const inputs = machine.inputsFrom({ ...rest, clock: WEEK_S - 86400 })
  const clockAt = machine.inputIds.length
  const state = machine.settledState(inputs)
  const minutesPct = new Float64Array(WEEK_MIN)
  const isStill = new Uint8Array(WEEK_MIN)
  for (let minute = -1440; minute < WEEK_MIN; minute++) {
    inputs[clockAt] = ((minute + WEEK_MIN) % WEEK_MIN) * 60
    machine.step(state, inputs, 60)
    if (minute < 0) continue
    minutesPct[minute] = state.fansPct[0]!
    isStill[minute] = state.fansPct.every((pct) => pct === 0) ? 1 : 0
  }
  let [longest, from, run] = [0, 0, 0]
  // Twice round: a still time over Sunday midnight is one.
  for (let minute = 0; minute < 2 * WEEK_MIN && run < WEEK_MIN; minute++) {
    run = isStill[minute % WEEK_MIN] === 1 ? run + 1 : 0
    if (run > longest) [longest, from] = [run, minute - run + 1]
  }
  return { minutesPct, longestStillS: longest * 60, stillFromMin: longest === 0 ? null : from % WEEK_MIN }
}

/** How a day is walked through by a clock on the wall: an ordinary one, and those on which the clocks change at 2 o'clock. */
export const DAY_KINDS = ['ordinary', 'forward', 'back'] as const
export type DayKind = (typeof DAY_KINDS)[number]

/** The minutes the clock shows one after the other: 2 o'clock is left out, or comes twice. */
export function clockMinutes(kind: DayKind): readonly number[] {
  const day = Array.from({ length: 1440 }, (_, minute) => minute)
  if (kind === 'forward') return [...day.slice(0, 120), ...day.slice(180)]
  return kind === 'back' ? [...day.slice(0, 180), ...day.slice(120)] : day
}

export type Spell = {
  /** Minutes since the day began, as time passes. */
  readonly fromMin: number
  readonly toMin: number
  /** What the clock shows when it begins. */
  readonly clockMin: number
  readonly pct: number
}

/** One day of it as spells of one speed. */
export function spellsOf({ minutesPct }: RunsWhen, day: number, kind: DayKind = 'ordinary'): readonly Spell[] {
  const spells: { fromMin: number; toMin: number; clockMin: number; pct: number }[] = []
  clockMinutes(kind).forEach((clockMin, minute) => {
    const pct = minutesPct[day * 1440 + clockMin]!
    const last = spells.at(-1)
    if (last && Math.abs(last.pct - pct) < 0.05) last.toMin = minute + 1
    else spells.push({ fromMin: minute, toMin: minute + 1, clockMin, pct })
  })
  return spells
}
