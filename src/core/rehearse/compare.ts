import type { Measure } from '@/core/rehearse/measures'
import type { MeasureId } from '@/core/scenario/measureIds'

/** The same measure of two rehearsals, where they differ by more than anyone would notice. */
export type DifferenceOf = Pick<Measure, 'id' | 'unit' | 'better'> & {
  readonly value: number
  readonly other: number
  /** How much it matters: in what is just noticed. */
  readonly weight: number
}

/** A difference that is just noticed, in the unit of the measure. Common practice, no source. */
const NOTICED: Record<Measure['unit'], number> = {
  temperature: 0.2,
  humidity: 1,
  s: 300,
  count: 3,
  sound: 0.5,
  flow: 2,
  kWh: 0.05,
  ppm: 50,
}

/** Measures that a sentence names last: what follows from others. */
const LATER: readonly MeasureId[] = ['heat-out', 'coldest', 'without-air', 'lowest-flow', 'above-damp', 'below-damp']
const MOST_NAMED = 3

export function differences(
  own: readonly Measure[],
  others: readonly Measure[],
): { readonly gains: readonly DifferenceOf[]; readonly costs: readonly DifferenceOf[] } {
  const all = own.flatMap((measure): DifferenceOf[] => {
    const other = others.find(({ id }) => id === measure.id)
    if (!other || measure.better === null) return []
    const by = Math.abs(measure.value - other.value)
    const scale = measure.unit === 'kWh' ? Math.max(NOTICED.kWh, 0.03 * other.value) : NOTICED[measure.unit]
    if (by < scale) return []
    const weight = Math.min(40, by / scale) / (LATER.includes(measure.id) ? 20 : 1)
    return [
      { id: measure.id, unit: measure.unit, better: measure.better, value: measure.value, other: other.value, weight },
    ]
  })
  const isGain = ({ better, value, other }: DifferenceOf) => (better === 'less' ? value < other : value > other)
  const heaviest = (list: DifferenceOf[]) => list.sort((a, b) => b.weight - a.weight).slice(0, MOST_NAMED)
  return { gains: heaviest(all.filter(isGain)), costs: heaviest(all.filter((one) => !isGain(one))) }
}

/** Which of several rehearsals is the best in a measure, as places; none where all come to the same or nothing is better. Only those that this
 *  controller can do are looked at. */
export function bestIn(
  id: MeasureId,
  of: readonly { readonly measures: readonly Measure[]; readonly isPossible: boolean }[],
): number[] {
  const found = of.flatMap(({ measures, isPossible }, place) => {
    const measure = measures.find((one) => one.id === id)
    return measure && isPossible && measure.better !== null ? [{ place, measure }] : []
  })
  if (found.length < 2) return []
  const { better } = found[0]!.measure
  const sign = better === 'less' ? 1 : -1
  const best = Math.min(...found.map(({ measure }) => sign * measure.value))
  const winners = found.filter(({ measure }) => sign * measure.value <= best + 1e-9)
  return winners.length === found.length ? [] : winners.map(({ place }) => place)
}
