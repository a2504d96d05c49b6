import { HAS_BEEN_HOT, type Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import { isBeyond, isPast, turnedPoint } from '@/core/machine/past'
import type { Condition, Response } from '@/core/response/schema'
import type { PlainCondition } from '@/core/rules/condition'
import { humidityRatio } from '@/core/physics/moistAir'
import { exact } from '@/core/rules/exact'
import { fillSpan, minuteOf, WEEK_MIN } from '@/core/rules/week'
import { placeOfDate, seasonOfDays } from '@/core/rules/yearDay'

/** Marks the rows in which a condition stands. */
export type Mark = (memory: Float64Array, block: Columns, marks: Uint8Array) => void

/** Marks the rows in which `stands` is true of the column. */
const markWhere =
  (column: (block: Columns) => Float64Array, stands: (x: number) => boolean): Mark =>
  (_memory, block, marks) => {
    const xs = column(block)
    for (let row = block.start; row < block.end; row++) if (stands(xs[row]!)) marks[row] = 1
  }

/** Past a point of `x − y`, and once past it until it is `release` back. `y` is null for the reading itself. */
function markPast(
  { when, at, release }: { when: Extract<PlainCondition, { kind: 'input' }>['when']; at: number; release: number },
  xAt: number,
  yAt: number | null,
  stood: number,
): Mark {
  const point = turnedPoint(when, at)
  const { sign } = point
  const back = exact(point.edge - release)
  return (memory, { start, end, inputs }, marks) => {
    const xs = inputs[xAt]!
    const ys = yAt === null ? null : inputs[yAt]!
    let stands = memory[stood] === 1
    for (let row = start; row < end; row++) {
      const x = ys === null ? xs[row]! : exact(xs[row]! - ys[row]!)
      stands = isBeyond(point, x) || (stands && sign * x > back)
      if (stands) marks[row] = 1
    }
    memory[stood] = stands ? 1 : 0
  }
}

/** The season of a date by its place in the list: the one it is put to by hand, where it is. −1 where that is not known. */
export function seasonNow({
  seasons = [],
  seasonNow: byHand,
}: Pick<Response, 'seasons' | 'seasonNow'>): (date: number) => number {
  if (byHand !== undefined) {
    const place = seasons.findIndex(({ id }) => id === byHand)
    return () => place
  }
  const ofDays = seasonOfDays(seasons)
  // A day is many rows.
  let [lastDate, last] = [NaN, -1]
  return (date) => {
    if (date !== lastDate) {
      lastDate = date
      last = Number.isNaN(date) ? -1 : ofDays[placeOfDate(date)]!
    }
    return last
  }
}

/** @param remembers takes the places of memory that settling clears */
export function compileCondition(
  condition: Condition,
  { memory: plan, inputIndex, clockIndex, dateIndex, tiedIndex, response }: PartContext,
  fanIds: readonly string[],
  remembers: number[],
): Mark {
  const latch = (): number => {
    const stood = plan.slot(0, 'latches')
    remembers.push(stood)
    return stood
  }
  switch (condition.kind) {
    case 'input':
      return markPast(condition, tiedIndex(condition.input, condition.target), null, latch())
    case 'difference':
      return markPast(
        { ...condition, at: condition.by },
        inputIndex(condition.input),
        inputIndex(condition.minus),
        latch(),
      )
    case 'between': {
      const at = tiedIndex(condition.input, condition.target)
      const [from, to] = [exact(condition.from), exact(condition.to)]
      return markWhere(
        ({ inputs }) => inputs[at]!,
        (x) => x >= from && x <= to,
      )
    }
    case 'switch': {
      const at = inputIndex(condition.input)
      const wanted = condition.is === 'on'
      return markWhere(
        ({ inputs }) => inputs[at]!,
        (x) => x >= 0.5 === wanted,
      )
    }
    case 'drier': {
      const { input, humidity, outdoor, outdoorHumidity, by } = condition
      const [inC, inRh, outC, outRh] = [input, humidity, outdoor, outdoorHumidity].map(inputIndex) as [
        number,
        number,
        number,
        number,
      ]
      return (_memory, { start, end, inputs }, marks) => {
        for (let row = start; row < end; row++) {
          const inside = humidityRatio(inputs[inC]![row]!, inputs[inRh]![row]!)
          const outside = humidityRatio(inputs[outC]![row]!, inputs[outRh]![row]!)
          if (outside <= inside - by) marks[row] = 1
        }
      }
    }
    case 'season': {
      const wanted = response.seasons?.findIndex(({ id }) => id === condition.season) ?? -1
      const isSeason = seasonNow(response)
      return markWhere(
        ({ inputs }) => inputs[dateIndex]!,
        (date) => isSeason(date) === wanted,
      )
    }
    case 'clock': {
      const hours = new Uint8Array(WEEK_MIN)
      for (const span of condition.spans) fillSpan(hours, span, 1)
      return markWhere(
        ({ inputs }) => inputs[clockIndex]!,
        (weekS) => weekS >= 0 && hours[minuteOf(weekS)] === 1,
      )
    }
    case 'speed': {
      const at = fanIds.indexOf(condition.fan)
      const { when, atPct } = condition
      return markWhere(
        ({ fansPct }) => fansPct[at]!,
        (pct) => isPast(when, pct, atPct),
      )
    }
    case 'lost': {
      const at = inputIndex(condition.input)
      return markWhere(({ inputs }) => inputs[at]!, Number.isNaN)
    }
    case 'overheated':
      return (_memory, { start, end, heat }, marks) => {
        for (let row = start; row < end; row++) if ((heat[row]! & HAS_BEEN_HOT) !== 0) marks[row] = 1
      }
  }
}

/** What lets a rule ask: all of its conditions. */
export type Gate = {
  /** Leaves in `block.allowed` the modes of each row in which the rule may ask, none where a condition does not stand. Returns all seen. */
  readonly run: (memory: Float64Array, block: Columns) => number
  readonly settle: (memory: Float64Array) => void
  /** Which condition did not stand in the last row, by its place; −1 where all did. */
  readonly failing: (memory: Float64Array) => number
}

/** The gate of a rule; null where it asks whatever else is. */
export function compileGate(conditions: readonly PlainCondition[] | undefined, context: PartContext): Gate | null {
  if (!conditions) return null
  const remembers: number[] = []
  const marks = conditions.map((condition) => compileCondition(condition, context, [], remembers))
  const failingAt = context.memory.slot(-1)
  return {
    run(memory, block) {
      const { start, end, modes, allowed, bars } = block
      for (let row = start; row < end; row++) allowed[row] = modes[row]!
      let failing = -1
      for (let index = 0; index < marks.length; index++) {
        bars.fill(0, start, end)
        marks[index]!(memory, block, bars)
        for (let row = start; row < end; row++) if (bars[row] === 0) allowed[row] = 0
        if (failing < 0 && bars[end - 1] === 0) failing = index
      }
      memory[failingAt] = failing
      let seen = 0
      for (let row = start; row < end; row++) seen |= allowed[row]!
      return seen
    },
    settle(memory) {
      for (const slot of remembers) memory[slot] = 0
    },
    failing: (memory) => memory[failingAt]!,
  }
}
