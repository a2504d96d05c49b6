import fc from 'fast-check'
import { flowBalance } from '@/core/look/flowBalance'
import { joinStep, ladder, lawPowerW, overLadder, rungsAgainst } from '@/core/look/ladder'
import type { MeasuredInput } from '@/core/rules/input'
import { demoInstallation, machineFor, responseTo } from '@/testing/examples'

const house = demoInstallation('duckling-brooder').response

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

test('a follower with the same map and a ratio under 1 never brings in more than goes out', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 1, noNaN: true }), fc.integer({ min: 10, max: 40 }), (ratio, floorPct) => {
      const rows = flowBalance(
        {
          floor: { speedPct: floorPct, reasons: [] },
          ceiling: { speedPct: 100, how: 'clip' },
          steps: { stepPct: 0, rounding: 'nearest' },
        },
        { fan: 'in', ratio, floorPct: 0, atLeadFloor: 'follow' },
        (pct) => 2 * pct,
        (pct) => 2 * pct,
      )
      expect(rows).toHaveLength(101 - floorPct)
      expect(Math.max(...rows.map(({ overLs }) => overLs))).toBeLessThanOrEqual(1e-9)
    }),
    { seed: 20261126, numRuns: 50 },
  )
})

test('a follower that stops at the lead’s floor moves nothing there', () => {
  const [first] = flowBalance(
    {
      floor: { speedPct: 20, reasons: [] },
      ceiling: { speedPct: 100, how: 'clip' },
      steps: { stepPct: 0, rounding: 'nearest' },
    },
    { fan: 'in', ratio: 1, floorPct: 0, atLeadFloor: 'off' },
    (pct) => pct,
    (pct) => pct + 5,
  )
  expect(first).toMatchObject({ followerPct: 0, followerLs: 0, overLs: -20 })
})
