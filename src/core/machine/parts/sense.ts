import type { Columns } from '@/core/machine/columns'
import type { PartContext } from '@/core/machine/parts/context'
import type { MachineState } from '@/core/machine/state'
import { exact } from '@/core/rules/exact'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'

/** One number of several in a row, lost ones left out; a difference (first less second) needs both. NaN when nothing is left. */
function combine(
  how: NonNullable<MeasuredInput['combines']>['how'],
  columns: readonly Float64Array[],
  places: readonly number[],
  row: number,
): number {
  let [sum, count, best] = [0, 0, NaN]
  if (how === 'difference') return columns[places[0]!]![row]! - columns[places[1] ?? places[0]!]![row]!
  for (let index = 0; index < places.length; index++) {
    const x = columns[places[index]!]![row]!
    if (Number.isNaN(x)) continue
    sum += x
    count++
    if (!(best >= x && how === 'highest') && !(best <= x && how === 'lowest')) best = x
  }
  return how === 'average' ? sum / count : best
}

/** Offsets, living zeros, combined inputs, the scan interval and moved set points; null where an input is simply what it reads. */
export function compileSense(
  { response, memory: plan, inputIndex, clockIndex, dateIndex }: PartContext,
  setPoints: { readonly count: number; readonly fill: (block: Columns) => void },
  hasTargets: boolean,
): ((state: MachineState, block: Columns) => void) | null {
  const { inputs, scanS = 0 } = response
  const offsets = Float64Array.from(inputs, (input) => (isMeasured(input) ? (input.offset ?? 0) : 0))
  const combined = inputs.flatMap((input, place) =>
    isMeasured(input) && input.combines
      ? [{ place, how: input.combines.how, of: input.combines.of.map(inputIndex) }]
      : [],
  )
  const lostBelow = Float64Array.from(inputs, (input) =>
    isMeasured(input) ? (input.lostBelow ?? -Infinity) : -Infinity,
  )
  const isPlain = offsets.every((offset) => offset === 0) && lostBelow.every((edge) => edge === -Infinity)
  const movesPoints = setPoints.count > 0
  if (scanS === 0 && !movesPoints && !hasTargets && combined.length === 0 && isPlain) return null
  const sinceAt = plan.slot(Infinity)

  /** Every row as if it were scanned. */
  function read({ start, end, raw, inputs: sensed }: Columns): void {
    for (let index = 0; index < offsets.length; index++) {
      const [from, to, offset] = [raw[index]!, sensed[index]!, offsets[index]!]
      const edge = lostBelow[index]!
      for (let row = start; row < end; row++) {
        const x = from[row]!
        to[row] = x < edge ? NaN : offset === 0 ? x : exact(x + offset)
      }
    }
    for (const { place, how, of } of combined) {
      const [to, offset] = [sensed[place]!, offsets[place]!]
      for (let row = start; row < end; row++) to[row] = exact(combine(how, sensed, of, row) + offset)
    }
  }

  /** Between scans it stays what it was. */
  function hold({ memory, sensed: last }: MachineState, { start, end, dtS, inputs: sensed }: Columns): void {
    let sinceS = memory[sinceAt]!
    for (let row = start; row < end; row++) {
      sinceS += dtS[row]!
      if (sinceS >= scanS) sinceS = 0
      else
        for (let index = 0; index < offsets.length; index++)
          sensed[index]![row] = row === start ? last[index]! : sensed[index]![row - 1]!
    }
    memory[sinceAt] = sinceS
  }

  return (state, block) => {
    const { start, end } = block
    read(block)
    if (scanS > 0) hold(state, block)
    // The clock and the date run between scans.
    for (const index of [clockIndex, dateIndex]) {
      const [told, shown] = [block.raw[index]!, block.inputs[index]!]
      for (let row = start; row < end; row++) shown[row] = told[row]!
    }
    if (movesPoints) setPoints.fill(block)
    for (let index = 0; index < block.inputs.length; index++) state.sensed[index] = block.inputs[index]![end - 1]!
  }
}
