import type { Machine } from '@/core/machine/compile'
import type { MachineState } from '@/core/machine/state'
import type { MeasuredInput } from '@/core/rules/input'

export type Levels = {
  readonly columns: number
  readonly rows: number
  /** Row by row from the lowest y, each from the lowest x. */
  readonly values: readonly number[]
}

/** What a response gives over two inputs, settled at every crossing of a grid; `read` says what is looked at (the lead's speed, a damper). */
export function levelsOver(
  machine: Machine,
  {
    x,
    y,
    rest,
    columns,
    rows,
  }: {
    readonly x: MeasuredInput
    readonly y: MeasuredInput
    readonly rest: Readonly<Record<string, number>>
    readonly columns: number
    readonly rows: number
  },
  read: (state: MachineState) => number = ({ fansPct }) => fansPct[0]!,
): Levels {
  const inputs = machine.inputsFrom(rest)
  const [atX, atY] = [machine.inputIds.indexOf(x.id), machine.inputIds.indexOf(y.id)]
  const state = machine.newState()
  const values: number[] = []
  for (let row = 0; row < rows; row++) {
    inputs[atY] = y.from + ((y.to - y.from) * row) / (rows - 1)
    for (let column = 0; column < columns; column++) {
      inputs[atX] = x.from + ((x.to - x.from) * column) / (columns - 1)
      machine.settle(state, inputs)
      values.push(read(state))
    }
  }
  return { columns, rows, values }
}
