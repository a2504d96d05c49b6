import { Type } from '@sinclair/typebox'

/** What a machine remembers, as far as a controller may keep it without power: time left of overruns and the like, where a cycle is, day
 *  or night, what was switched on or latched. */
export const MEMORIES = ['timers', 'cycle', 'mode', 'latches'] as const
export type Memory = (typeof MEMORIES)[number]

export const Memories = Type.Array(Type.Union(MEMORIES.map((memory) => Type.Literal(memory))), {
  maxItems: 4,
  uniqueItems: true,
})

/** Hands out places in the one typed array that holds everything a machine remembers between steps. */
export class MemoryPlan {
  private readonly initial: number[] = []
  private readonly kinds: (Memory | null)[] = []

  /** A place that starts at `initial`; `kind` where a controller may keep it without power. */
  slot(initial: number, kind: Memory | null = null): number {
    this.kinds.push(kind)
    return this.initial.push(initial) - 1
  }

  /** `length` places in a row; returns the first. */
  region(length: number, kind: Memory | null = null): number {
    const first = this.initial.length
    for (let index = 0; index < length; index++) this.slot(0, kind)
    return first
  }

  build(): Float64Array {
    return Float64Array.from(this.initial)
  }

  /** Puts back what power loss takes: every place but those of the kinds that are kept. */
  clearer(keeps: readonly Memory[]): (memory: Float64Array) => void {
    const initial = this.build()
    const isLost = this.kinds.map((kind) => kind === null || !keeps.includes(kind))
    return (memory) => {
      for (let place = 0; place < initial.length; place++) if (isLost[place]) memory[place] = initial[place]!
    }
  }
}
