/** Hands out places in the one typed array that holds everything a machine remembers between steps. */
export class MemoryPlan {
  private readonly initial: number[] = []

  /** A place that starts at `initial`. */
  slot(initial: number): number {
    return this.initial.push(initial) - 1
  }

  /** `length` places in a row; returns the first. */
  region(length: number): number {
    const first = this.initial.length
    for (let index = 0; index < length; index++) this.initial.push(0)
    return first
  }

  build(): Float64Array {
    return Float64Array.from(this.initial)
  }
}
