import fc from 'fast-check'
import { flowBalance } from '@/core/calibration/flowBalance'
import type { FlowMap } from '@/core/calibration/flowMap'
import { pchip } from '@/core/physics/monotone'

/** A map on which so much flow comes for each percent, and so much beside. */
const line = (perPct: number, besides = 0): FlowMap => ({
  points: [],
  curve: pchip([1, 100].map((x) => ({ x, y: perPct * x + besides }))),
  startPct: 0,
  runsFromPct: 0,
  measuredFromPct: 1,
  measuredToPct: 100,
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
        line(2),
        line(2),
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
    line(1),
    line(1, 5),
  )
  expect(first).toMatchObject({ followerPct: 0, followerLs: 0, overLs: -20 })
})
