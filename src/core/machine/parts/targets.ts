import { BESIDE_INPUTS, type Columns } from '@/core/machine/columns'
import { seasonNow } from '@/core/machine/parts/conditions'
import { NIGHT_BIT } from '@/core/machine/parts/modes'
import type { MachineState } from '@/core/machine/state'
import type { Response } from '@/core/response/schema'
import type { Target } from '@/core/response/target'
import { onDay } from '@/core/rules/ageTable'
import { exact } from '@/core/rules/exact'
import type { MemoryPlan } from '@/core/rules/memory'
import { fillSpan, minuteOf, WEEK_MIN } from '@/core/rules/week'
import { dateOf } from '@/core/rules/yearDay'

/** How far a target has moved from `at`: at a clock (s since Monday 00:00), a date (days since 1970-01-01), by night. */
type Shift = (weekS: number, date: number, isNight: boolean) => number

function ownShift({ at, changes = [], byAge }: Target, response: Response): Shift {
  const placed = response.placedOn === undefined ? NaN : dateOf(response.placedOn)
  const table = byAge?.map(({ day, at: value }) => ({ day, value }))
  const season = seasonNow(response)
  const compiled = changes.map(({ mode, season: id, spans, at: to }) => {
    const hours = spans && new Uint8Array(WEEK_MIN)
    for (const span of spans ?? []) fillSpan(hours!, span, 1)
    const wanted = id === undefined ? null : (response.seasons?.findIndex((known) => known.id === id) ?? -1)
    const stands: (...moment: Parameters<Shift>) => boolean = (weekS, date, isNight) =>
      (mode === undefined || (mode === 'night') === isNight) &&
      (wanted === null || season(date) === wanted) &&
      (!hours || (weekS >= 0 && hours[minuteOf(weekS)] === 1))
    return { stands, by: to - at }
  })
  return (weekS, date, isNight) => {
    for (let index = 0; index < compiled.length; index++)
      if (compiled[index]!.stands(weekS, date, isNight)) return compiled[index]!.by
    const day = Math.floor(date) - placed
    return table && !Number.isNaN(day) ? onDay(table, day) - at : 0
  }
}

/** Moves inputs instead of the points that are tied to a target, as set points of the week do: what is tied reads a place of its own behind
 *  those. Takes the places first, one for each input and target that meet; `fill` puts the readings there once the mode is known. */
export function compileTargets(response: Response, plan: MemoryPlan, firstPlace: number) {
  const targets = response.targets ?? []
  const clockIndex = response.inputs.length
  const places: { readonly from: number; readonly target: number }[] = []
  const shifts = targets.map((target) => ownShift(target, response))
  const follows = targets.map(({ follows: other }) => targets.findIndex(({ id }) => id === other))
  const lastAt = targets.map(() => plan.slot(0))
  const shiftOf = (target: number, weekS: number, date: number, isNight: boolean): number => {
    let by = 0
    for (let at = target; at >= 0; at = follows[at]!) by += shifts[at]!(weekS, date, isNight)
    return exact(by)
  }
  const columns = targets.map(() => new Float64Array(0))
  return {
    /** Where an input is read by what is tied to a target; its own place where it is tied to none. */
    tiedIndex(input: number, id: string | undefined): number {
      const target = targets.findIndex((candidate) => candidate.id === id)
      if (target < 0) return input
      const held = places.findIndex((place) => place.from === input && place.target === target)
      return firstPlace + (held < 0 ? places.push({ from: input, target }) - 1 : held)
    },
    count: () => places.length,
    isNeeded: targets.length > 0,
    fill({ memory, sensed }: MachineState, block: Columns): void {
      const { start, end, inputs, modes } = block
      const [clock, date] = [inputs[clockIndex]!, inputs[clockIndex + BESIDE_INPUTS - 1]!]
      for (let target = 0; target < targets.length; target++) {
        if (columns[target]!.length < block.length) columns[target] = new Float64Array(block.length)
        const column = columns[target]!
        for (let row = start; row < end; row++)
          column[row] = shiftOf(target, clock[row]!, date[row]!, modes[row] === NIGHT_BIT)
        memory[lastAt[target]!] = column[end - 1]!
      }
      for (let place = 0; place < places.length; place++) {
        const { from, target } = places[place]!
        const [own, read, by] = [inputs[firstPlace + place]!, inputs[from]!, columns[target]!]
        for (let row = start; row < end; row++) own[row] = exact(read[row]! - by[row]!)
        sensed[firstPlace + place] = own[end - 1]!
      }
    },
    /** How far a target has moved, as of the last step. */
    movedBy: (id: string | undefined, { memory }: MachineState): number => {
      const target = targets.findIndex((candidate) => candidate.id === id)
      return target < 0 ? 0 : memory[lastAt[target]!]!
    },
  }
}
