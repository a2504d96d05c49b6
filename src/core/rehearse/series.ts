/** Inputs over time: `values[i]` are those of `inputs[i]` at each `atS` (rising seconds). A missing value is NaN. */
export type Series = {
  readonly atS: Float64Array
  readonly inputs: readonly string[]
  readonly values: readonly Float64Array[]
}
