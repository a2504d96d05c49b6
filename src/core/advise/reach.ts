import type { Duty } from '@/core/brief/duty'
import { inputsOfRole, roleOf } from '@/core/duty/role'
import type { Installation } from '@/core/installation/installation'
import type { Machine } from '@/core/machine/compile'
import { pointsOn } from '@/core/machine/pointsOn'
import { quietInputs } from '@/core/machine/quietInputs'
import type { MachineState } from '@/core/machine/state'
import type { Response } from '@/core/response/schema'
import { datesOf } from '@/core/response/dates'
import { weekSpans } from '@/core/response/weekSpans'
import { isMeasured, type MeasuredInput, type Role } from '@/core/rules/input'
import { pulsesOf } from '@/core/rules/table'

// What a response gives at moments that can be reached: judgements look at these, not at two figures side by side.

export type Moment = Readonly<Record<string, number>>
export type Where = Pick<Installation, 'brief'> & { readonly machine: Machine }

/** What stops or holds the fan on purpose is no moment of use. */
const ON_PURPOSE: ReadonlySet<Role> = new Set(['isolator', 'safety-stop', 'test', 'body'])

const whereOf = ({ brief, machine }: Where) => ({ brief, response: machine.response })

/** What the duty is about: the input that its rules should answer to, by role. */
const PRINCIPAL: Record<Duty, readonly Role[]> = {
  extract: ['room'],
  exhaust: ['room'],
  'head-pressure': ['coil'],
  livestock: ['room'],
  'grow-room': ['room'],
  'stove-flue': ['flue', 'shell'],
  balanced: ['room'],
  'door-curtain': ['room'],
  electronics: ['component'],
}

/** The probes (not those made of others) of the duty's own role that read this quantity. */
export const principalInputs = (where: Where, kind: MeasuredInput['kind']): MeasuredInput[] =>
  inputsOfRole(whereOf(where), ...PRINCIPAL[where.brief.duty]).filter(
    (input): input is MeasuredInput => isMeasured(input) && input.kind === kind,
  )

export const switchesOfRole = (where: Where, ...roles: readonly Role[]): string[] =>
  inputsOfRole(whereOf(where), ...roles).flatMap((input) => (isMeasured(input) ? [] : [input.id]))

/** Nothing asks, at ten on a Monday. */
export const atRest = ({ machine }: Where): Moment => {
  const [date] = datesOf(machine.response)
  return { ...quietInputs(machine.response), clock: 10 * 3600, ...(date === undefined ? {} : { date }) }
}

/** These inputs all at one reading. */
export const with_ = (moment: Moment, inputs: readonly { readonly id: string }[], x: number): Moment => ({
  ...moment,
  ...Object.fromEntries(inputs.map(({ id }) => [id, x])),
})

/** Settled at a moment: delays over, kick spent. */
export const settledAt = ({ machine }: Where, moment: Moment): MachineState =>
  machine.settledState(machine.inputsFrom(moment))

/** All of the air, as a share of one fan: on a ladder every fan together, else the lead. */
export function airOf({ machine }: Where, { fansPct }: MachineState): number {
  if (!machine.response.stages) return fansPct[0]!
  return fansPct.reduce((sum, pct, fan) => (fan > 0 && fan <= machine.response.followers.length ? sum : sum + pct), 0)
}

export const airAt = (where: Where, moment: Moment): number => airOf(where, settledAt(where, moment))

/** Where the range of an input ends, with room for points outside what is shown. */
export function rangeOf(response: Response, input: MeasuredInput): readonly [low: number, high: number] {
  const points = pointsOn(response, input.id)
  return [Math.min(input.from, ...points.map((x) => x - 1)), Math.max(input.to, ...points.map((x) => x + 1))]
}

const BESIDE = 0.5
/** Points of speed that count as an answer. */
export const CLEARLY_PCT = 3

/** Readings of a probe at which something may change: its ends and both sides of each point. */
function candidatesOf({ response }: Machine, input: MeasuredInput): number[] {
  const [low, high] = rangeOf(response, input)
  return [low, high, ...pointsOn(response, input.id).flatMap((x) => [x - BESIDE, x, x + BESIDE])]
}

/** Times of the week at which a clock may change something: a minute to both sides of each edge. */
function clocksOf(response: Response): number[] {
  const minutes = weekSpans(response).flatMap(({ days, startMin, endMin }) =>
    days.flatMap((day) => [startMin - 1, startMin + 1, endMin - 1, endMin + 1].map((minute) => day * 1440 + minute)),
  )
  return [...new Set(minutes.map((minute) => ((minute + 10080) % 10080) * 60))].slice(0, 120)
}

/** Contacts by which an output stops the fans: that is on purpose, and judged by itself. */
const stoppingContacts = ({ otherOutputs = [] }: Response): string[] =>
  otherOutputs.flatMap(({ stopsFans, onWhen }) =>
    stopsFans ? onWhen.flatMap((condition) => (condition.kind === 'switch' ? [condition.input] : [])) : [],
  )

type Extreme = { readonly moment: Moment; readonly value: number }

/** The moment at which something is least, found input by input in two rounds: of inputs that nobody moves on purpose, of the clock and the date.
 *  @param fixed inputs that stay as they are in `from` */
export function leastOver(
  where: Where,
  of: (moment: Moment) => number,
  { from = atRest(where), fixed = [] }: { from?: Moment; fixed?: readonly string[] } = {},
): Extreme {
  const { machine, brief } = where
  const stopping = stoppingContacts(machine.response)
  const moves = machine.response.inputs.flatMap((input): { id: string; places: number[] }[] => {
    if (
      stopping.includes(input.id) ||
      fixed.includes(input.id) ||
      ON_PURPOSE.has(roleOf(input, { brief, response: machine.response }))
    )
      return []
    if (isMeasured(input) && input.combines) return []
    return [{ id: input.id, places: isMeasured(input) ? candidatesOf(machine, input) : [0, 1] }]
  })
  const clocks = fixed.includes('clock') ? [] : clocksOf(machine.response)
  if (clocks.length > 0) moves.push({ id: 'clock', places: clocks })
  const dates = fixed.includes('date') ? [] : datesOf(machine.response)
  if (dates.length > 0) moves.push({ id: 'date', places: dates })
  let best: Extreme = { moment: from, value: of(from) }
  for (let round = 0; round < 2; round++)
    for (const { id, places } of moves)
      for (const x of places) {
        const moment = { ...best.moment, [id]: x }
        const value = of(moment)
        if (value < best.value - 1e-9) best = { moment, value }
      }
  return best
}

/** Steps through a time with the inputs as they are, and gives every state it passes; the state is the same object each time. */
export function* through(
  where: Where,
  state: MachineState,
  moment: Moment,
  forS: number,
  stepS: number,
): Generator<MachineState> {
  const inputs = where.machine.inputsFrom(moment)
  where.machine.step(state, inputs, 0)
  yield state
  for (let passedS = 0; passedS < forS; passedS += stepS) {
    where.machine.step(state, inputs, stepS)
    yield state
  }
}

/** Seconds until the air has come to nine tenths of what it settles at, the inputs changing to another moment at once; null when not within
 *  `mostS`.
 *  @param state where it begins; goes on by itself
 *  @param before the air to count the nine tenths from */
function arrivesIn(where: Where, state: MachineState, before: number, to: Moment, mostS: number): number | null {
  const after = airAt(where, to)
  if (Math.abs(after - before) < CLEARLY_PCT) return 0
  const wanted = before + 0.9 * (after - before)
  const isThere = (air: number) => (after >= before ? air >= wanted - 1e-9 : air <= wanted + 1e-9)
  const stepS = Math.max(1, mostS / 240)
  let passedS = -stepS
  let sinceS: number | null = null
  for (const now of through(where, state, to, mostS, stepS)) {
    passedS += stepS
    // Once there it has to stay there: a start kick is no answer.
    sinceS = isThere(airOf(where, now)) ? (sinceS ?? passedS) : null
  }
  return sinceS
}

/** How long it takes from one settled moment to another; and from one that has only just come about, in which a least time off still runs.
 *  @returns the longer in seconds, or null when not within `mostS` */
export function answersIn(where: Where, from: Moment, to: Moment, mostS: number): number | null {
  const before = airAt(where, from)
  const settled = arrivesIn(where, settledAt(where, from), before, to, mostS)
  const justLeft = settledAt(where, to)
  if (settled === null || arrivesIn(where, justLeft, airAt(where, to), from, mostS) === null) return settled
  const again = arrivesIn(where, justLeft, before, to, mostS)
  return again === null ? null : Math.max(settled, again)
}

/** Mean of something over a time in which the inputs stand, from a settled start: without a cycle nothing moves then, with one its periods are
 *  gone through. */
export function meanOver(where: Where, moment: Moment, overS: number, of: (state: MachineState) => number): number {
  const cycles = where.machine.rules.map(pulsesOf).filter((pulses) => pulses !== null)
  if (cycles.length === 0) return of(settledAt(where, moment))
  const longestS = Math.min(overS, Math.max(...cycles.map(({ periodS }) => periodS)) * (cycles.length > 1 ? 4 : 1))
  const shortestS = Math.min(...cycles.map(({ onS, periodS }) => Math.min(onS || periodS, periodS - onS || periodS)))
  const stepS = Math.max(longestS / 3600, Math.min(shortestS / 4, longestS / 60))
  let [sum, count] = [0, 0]
  for (const state of through(where, settledAt(where, moment), moment, longestS - stepS, stepS)) {
    sum += of(state)
    count++
  }
  return sum / count
}
