import { skipRestBands } from '@/core/response/parts/restBands'
import { exampleResponse, machineFor } from '@/testing/examples'

const bands = [{ fromPct: 43, toPct: 48 }]

test.each([
  { target: 42, cameFrom: 30, pct: 42 },
  { target: 43, cameFrom: 30, pct: 43 }, // the edges themselves are allowed
  { target: 45, cameFrom: 43, pct: 48 },
  { target: 45, cameFrom: 48, pct: 43 },
  { target: 48, cameFrom: 60, pct: 48 },
])('towards $target %, last outside at $cameFrom → $pct %', ({ target, cameFrom, pct }) =>
  expect(skipRestBands(bands, target, cameFrom)).toBe(pct),
)

test('up through the band and down again: each way it is jumped, and inside it the side is remembered', () => {
  const machine = machineFor(
    exampleResponse({
      rules: [{ id: 'r', kind: 'ramp', input: 'temp', startAt: 0, fullAt: 50, fromPct: 0, toPct: 100, below: 'from' }],
      floor: { speedPct: 0, reasons: [] },
      restBands: bands,
    }),
  )
  const state = machine.newState()
  const given = [20, 21.5, 22, 23, 22, 24, 23.9, 22, 21.5, 21].map((temp) => {
    machine.step(state, machine.inputsFrom({ temp }), 10)
    return state.fansPct[0]
  })
  expect(given).toEqual([40, 43, 48, 48, 48, 48, 43, 43, 43, 42])
})
