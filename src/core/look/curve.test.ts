import { branchesAgainst, curveAgainst } from '@/core/look/curve'
import { levelsOver } from '@/core/look/levels'
import type { Differential } from '@/core/rules/differential'
import type { MeasuredInput } from '@/core/rules/input'
import { demoInstallation, machineFor, plainRamp, responseTo, settledPct } from '@/testing/examples'

const cold: Differential = {
  id: 'cold',
  kind: 'differential',
  input: 'temp',
  action: 'reverse',
  onAt: 40,
  offAt: 60,
  speedPct: 50,
  minOnS: 0,
  minOffS: 0,
}
const [temp, rh] = responseTo([]).inputs as [MeasuredInput, MeasuredInput]
const at = (points: readonly { x: number; pct: number }[], x: number) =>
  points.reduce((near, point) => (Math.abs(point.x - x) < Math.abs(near.x - x) ? point : near)).pct

test('a differential has two branches: each keeps what it was between the points', () => {
  const { up, down, differ } = branchesAgainst(machineFor(responseTo([cold])), temp, {})
  expect(differ).toBe(true)
  expect([at(up, 30), at(up, 50), at(up, 70)]).toEqual([50, 50, 0])
  expect([at(down, 30), at(down, 50), at(down, 70)]).toEqual([50, 0, 0])
})

test('a ramp has one', () => {
  const { up, down, differ } = branchesAgainst(machineFor(responseTo([plainRamp()])), temp, {})
  expect(differ).toBe(false)
  expect(up).toEqual(down)
})

test('a skip band is passed on both ways at different edges', () => {
  const machine = machineFor(responseTo([plainRamp()], { skipBands: [{ fromPct: 40, toPct: 60 }] }))
  const { up, down } = branchesAgainst(machine, temp, {})
  expect([at(up, 50), at(down, 50)]).toEqual([60, 40])
})

test('a time that only passes does not split the branches: cycle, overrun, rate, delay', () => {
  const response = responseTo([plainRamp(), { id: 'cycle', kind: 'cycle', onS: 60, periodS: 300, speedPct: 30 }], {
    rate: { upPctPerS: 1, downPctPerS: 1 },
    finalRunOn: { holdS: 600, speedPct: null },
  })
  expect(branchesAgainst(machineFor(response), temp, {}).differ).toBe(false)
})

test('a combined input is moved with its own probes', () => {
  const { response } = demoInstallation('creamery-condenser')
  const coil = response.inputs.find(({ id }) => id === 'coil') as MeasuredInput
  const points = curveAgainst(machineFor(response), coil, { coil1: 20, coil2: 20 })
  expect([at(points, 10), at(points, 50)]).toEqual([40, 100])
})

test('levels over two inputs are what the machine gives at every crossing', () => {
  const machine = machineFor(responseTo([plainRamp(), { ...plainRamp(), id: 'damp', input: 'rh' }]))
  const { values, columns, rows } = levelsOver(machine, { x: temp, y: rh, rest: {}, columns: 5, rows: 3 })
  expect(values).toHaveLength(columns * rows)
  values.forEach((pct, index) => {
    const [column, row] = [index % columns, Math.floor(index / columns)]
    expect(pct).toBe(settledPct(machine, { temp: column * 25, rh: row * 50 }))
  })
})
