import type { PartContext } from '@/core/machine/parts/context'
import type { MachineState } from '@/core/machine/state'
import { exact } from '@/core/rules/exact'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'

/** One number of several, lost ones left out; a difference (first less second) needs both. NaN when nothing is left. */
function combine(
  how: NonNullable<MeasuredInput['combines']>['how'],
  values: Float64Array,
  places: readonly number[],
): number {
  let [sum, count, best] = [0, 0, NaN]
  if (how === 'difference') return values[places[0]!]! - values[places[1] ?? places[0]!]!
  for (let index = 0; index < places.length; index++) {
    const x = values[places[index]!]!
    if (Number.isNaN(x)) continue
    sum += x
    count++
    if (!(best >= x && how === 'highest') && !(best <= x && how === 'lowest')) best = x
  }
  return how === 'average' ? sum / count : best
}

/** Offsets, combined inputs, the scan interval and moved set points; null where an input is simply what it reads. */
export function compileSense(
  { response, memory: plan, inputIndex }: PartContext,
  setPoints: { readonly count: number; readonly fill: (sensed: Float64Array) => void },
): ((state: MachineState, raw: Float64Array, dtS: number) => Float64Array) | null {
  const { inputs, scanS = 0 } = response
  const offsets = Float64Array.from(inputs, (input) => (isMeasured(input) ? (input.offset ?? 0) : 0))
  const combined = inputs.flatMap((input, place) =>
    isMeasured(input) && input.combines
      ? [{ place, how: input.combines.how, of: input.combines.of.map(inputIndex) }]
      : [],
  )
  const movesPoints = setPoints.count > 0
  if (scanS === 0 && !movesPoints && combined.length === 0 && offsets.every((offset) => offset === 0)) return null
  const sinceS = plan.slot(Infinity)
  return ({ memory, sensed }, raw, dtS) => {
    memory[sinceS]! += dtS
    // The clock runs between scans.
    sensed[offsets.length] = raw[offsets.length]!
    if (memory[sinceS]! < scanS) {
      if (movesPoints) setPoints.fill(sensed)
      return sensed
    }
    memory[sinceS] = 0
    for (let index = 0; index < offsets.length; index++)
      sensed[index] = offsets[index] === 0 ? raw[index]! : exact(raw[index]! + offsets[index]!)
    for (let index = 0; index < combined.length; index++) {
      const { place, how, of } = combined[index]!
      sensed[place] = exact(combine(how, sensed, of) + offsets[place]!)
    }
    if (movesPoints) setPoints.fill(sensed)
    return sensed
  }
}
