import type { Brief, Target } from '@/core/brief/schema'
import { AIMS_SCHEMA, type Aims } from '@/core/scenario/aims'
import type { MeasureId } from '@/core/scenario/measureIds'
import type { Measure } from '@/core/rehearse/measures'

/** What counts by duty where nobody said otherwise: what keeps the space right, then what people hear, then what it costs. */
export function defaultAims(brief: Brief, measures: readonly Measure[], over: readonly string[]): Aims {
  const has = (id: MeasureId) => measures.some((measure) => measure.id === id)
  const target = (quantity: Target['quantity']) => brief.targets.some((one) => one.quantity === quantity)
  const comfort: MeasureId[] = (
    [
      ...(target('temperature') ? ['above-band', 'below-band'] : []),
      ...(target('humidity') ? ['above-damp'] : []),
      'head-low',
    ] as MeasureId[]
  ).filter(has)
  const rest: MeasureId[] = (['night-sound', 'energy'] as const).filter(has)
  return {
    schema: AIMS_SCHEMA,
    over: [...over],
    days: 1,
    hard: [
      // A limit that this very day breaks is not one to begin with.
      ...(measures.some(({ id, value }) => id === 'short-of-air' && value === 0)
        ? [{ measure: 'short-of-air' as const, atMost: 0 }]
        : []),
      ...(has('changes') ? [{ measure: 'changes' as const, atMost: 60 }] : []),
    ],
    then: [...comfort.slice(0, 1), ...rest].map((measure) => ({ measure })),
    tries: 5000,
    seed: 7,
  }
}
