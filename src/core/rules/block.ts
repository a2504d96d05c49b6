/** Most steps that go through a machine at a time: its columns then stay in the first-level cache. */
export const BLOCK_STEPS = 1024

/** Steps in a row that go through a machine one part at a time, a column for each thing known of each step. Open loop no part reads what a
 *  later one makes, so a block gives what its steps one by one give. Rows count from `start` up to `end`. */
export type Block = {
  start: number
  end: number
  /** Seconds since the step before. */
  readonly dtS: Float64Array
  /** What the rules read: the inputs in the order of the response, as they come or what is made of them; then the clock (seconds since Monday
   *  00:00; NaN: none), the date (days since 1970-01-01; NaN: none), and inputs moved by a set point or a target. */
  readonly inputs: readonly Float64Array[]
  /** 1 by day, 2 by night, 3 where a response knows neither. */
  modes: Uint8Array
  /** The modes of all rows, as bits. */
  modesSeen: number
  /** The modes in which the rule that asks now may ask, as bits. */
  askingModes: number
  /** Whether the first rule that asks wins; the highest does otherwise. */
  readonly firstWins: boolean
  /** What the rules ask for so far, percent; 0 for nothing. */
  readonly askedPct: Float64Array
  /** Index of the rule that asks for it. */
  readonly inCharge: Int16Array
}

/** What is left of a time after some of it has passed. */
export const runDown = (leftS: number, byS: number): number => (leftS > byS ? leftS - byS : 0)

// A loop over rows takes its figures out of an object before it begins: a number that a closure holds is whole in one machine and broken in
// another, and a loop that has seen both looks at every row which it is. That took twice the time.

/** Rule number `rule` asks for `pct` in a row. */
export function raise(block: Block, row: number, pct: number, rule: number): void {
  const { askedPct } = block
  if (!(pct > askedPct[row]!) || (block.modes[row]! & block.askingModes) === 0) return
  if (block.firstWins && askedPct[row]! > 0) return
  askedPct[row] = pct
  block.inCharge[row] = rule
}
