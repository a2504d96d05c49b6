import fc from 'fast-check'
import type { Machine } from '@/core/machine/compile'
import type { MachineState } from '@/core/machine/state'
import { anyResponse, anySeries } from '@/testing/anyResponse'
import { machineFor } from '@/testing/examples'

type Moment = { readonly dtS: number; readonly inputs: Float64Array }

/** Runs the moments in blocks of these lengths, in turn; returns what each fan and other output was given, and by whom. */
function inBlocks(machine: Machine, state: MachineState, moments: readonly Moment[], lengths: readonly number[]) {
  const columns = machine.newColumns()
  const rows: number[][] = []
  for (let at = 0, turn = 0; at < moments.length; turn++) {
    const length = Math.min(lengths[turn % lengths.length]!, moments.length - at)
    for (let row = 0; row < length; row++) {
      const { dtS, inputs } = moments[at + row]!
      inputs.forEach((x, index) => (columns.raw[index]![row] = x))
      columns.dtS[row] = dtS
    }
    machine.run(state, columns, length)
    for (let row = 0; row < length; row++)
      rows.push([
        ...columns.fansPct.map((given) => given[row]!),
        ...columns.outputs.map((isOn) => isOn[row]!),
        columns.inCharge[row]!,
        columns.heldBy[row]!,
        columns.askedPct[row]!,
        columns.aimPct[row]!,
      ])
    at += length
  }
  return rows
}

const everything = ({ memory, sensed, asksPct, fansPct, figures, inCharge }: MachineState) =>
  [memory, sensed, asksPct, fansPct, figures].map((column) => Array.from(column)).concat([[inCharge]])

test('blocks of any length give what single steps give, to the last bit, and leave the same behind', () => {
  fc.assert(
    fc.property(
      anyResponse,
      anySeries,
      fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 5 }),
      (response, series, lengths) => {
        const machine = machineFor(response)
        let atS = 0
        const moments = series.map(({ dtS, ...values }, index): Moment => {
          if (index > 0) atS += dtS
          return { dtS: index === 0 ? 0 : dtS, inputs: machine.inputsFrom({ ...values, clock: atS % 604800 }) }
        })
        const [whole, single] = [machine.newState(), machine.newState()]
        expect(inBlocks(machine, whole, moments, lengths)).toEqual(inBlocks(machine, single, moments, [1]))
        expect(everything(whole)).toEqual(everything(single))
        const stepped = machine.newState()
        for (const { dtS, inputs } of moments) machine.step(stepped, inputs, dtS)
        expect(everything(stepped)).toEqual(everything(whole))
      },
    ),
    { seed: 12, numRuns: 1500 },
  )
})

test('the seconds of a caller’s columns are as they were after a supply that was away', () => {
  const machine = machineFor({
    schema: 'soft-gale/response@2',
    lead: 'f',
    inputs: [{ id: 'mains', kind: 'switch', name: 'mains away' }],
    floor: { speedPct: 20, reasons: [] },
    ceiling: { speedPct: 100, how: 'clip' },
    rules: [{ id: 'c', kind: 'cycle', onS: 60, periodS: 300, speedPct: 60 }],
    startKick: null,
    followers: [],
    steps: { stepPct: 0, rounding: 'nearest' },
    overrides: { isolated: 'mains' },
  })
  const [state, columns] = [machine.newState(), machine.newColumns()]
  columns.raw[0]!.set([0, 1, 0, 0])
  columns.dtS.set([10, 10, 10, 10])
  machine.run(state, columns, 4)
  expect(Array.from(columns.fansPct[0]!.subarray(0, 4))).toEqual([60, 0, 60, 60])
  expect(Array.from(columns.dtS.subarray(0, 4))).toEqual([10, 10, 10, 10])
  // Nothing counts while it is away: the step in which it comes back is a first one.
  expect(state.memory[0]).toBe(10)
})
