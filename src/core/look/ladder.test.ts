import { joinStep, ladder, lawPowerW, overLadder, rungsAgainst } from '@/core/look/ladder'
import type { MeasuredInput } from '@/core/rules/input'
import { demoInstallation, machineFor, responseTo } from '@/testing/examples'

const brooder = demoInstallation('duckling-brooder').response
const house = { ...brooder, floor: { ...brooder.floor, speedPct: 65 } }

test('the first join is a step from 1.00 to 1.65 with a floor of 65 % (common practice, no source), by the machine too', () => {
  expect(joinStep(house, 0)).toEqual({ before: 1, after: 1.65 })
  const { up } = ladder(house)!
  const first = up.findIndex(({ fixedRunning }) => fixedRunning === 1)
  expect(up[first]!.fanEquivalents).toBeCloseTo(1.65, 6)
  expect(up[first - 1]!.fanEquivalents).toBeGreaterThan(0.97)
})

test('going down, a fan leaves later than it came', () => {
  const { up, down } = ladder(house)!
  const left = down.findLast(({ fixedRunning }) => fixedRunning === 0)!
  const joined = up.find(({ fixedRunning }) => fixedRunning === 1)!
  expect(joined.x - left.x).toBeGreaterThanOrEqual(house.stages!.offBelowPct - 0.5)
})

test('without stages there is no ladder', () => expect(ladder(responseTo([]))).toBeNull())

test('power: fixed fans as rated, the variable one by the cube of its speed; unknown ratings say nothing', () => {
  const rung = { x: 40, variablePct: 50, fixedRunning: 2, fanEquivalents: 2.5 }
  expect(overLadder(rung, lawPowerW(200), [180, 190, 210])).toBe(200 / 8 + 370)
  expect(overLadder(rung, lawPowerW(null), [180, 190])).toBeNull()
  expect(overLadder(rung, lawPowerW(200), [180, null])).toBeNull()
  expect(overLadder(rung, lawPowerW(200), [180, 190, null])).toBe(395)
})

test('against a temperature it climbs over the ramp', () => {
  const machine = machineFor(house)
  const input = house.inputs.find(({ id }) => id === 'house') as MeasuredInput
  const { up } = rungsAgainst(machine, input, {})
  expect(up[0]!.fixedRunning).toBe(0)
  expect(up.at(-1)).toMatchObject({ fixedRunning: 3, fanEquivalents: 4 })
})
