import fc from 'fast-check'
import { floorReasons } from '@/core/calibration/floorReasons'
import { flowMap, readingFlowLs, type FlowMap, flowLsAt, speedPctFor } from '@/core/calibration/flowMap'
import type { FanCalibration, MapReading } from '@/core/calibration/schema'
import { flowForHeatLs } from '@/core/physics/heatFlow'
import { demoInstallation } from '@/testing/examples'

const reading = (settingPct: number, flowLs: number | null, more: Partial<MapReading> = {}): MapReading => ({
  id: `m${settingPct}`,
  settingPct,
  rpm: null,
  velocityMs: null,
  flowLs,
  soundDb: null,
  setAside: false,
  note: '',
  ...more,
})
const calibration = (map: readonly MapReading[], startsPct: number[] = [14]): FanCalibration => ({
  fan: 'fan',
  startsPct,
  stallsPct: [11],
  restartMarginPct: 5,
  areaM2: 0.0314,
  map: [...map],
})

function mapOf(readings: FanCalibration): FlowMap {
  const outcome = flowMap(readings)
  if (outcome.kind !== 'map') throw new Error(`no map: ${outcome.got} readings`)
  return outcome.map
}

test('flow of a reading: direct, or velocity by area (0.1 m, 3 m/s is 23.56 l/s; reference-values air.flowRound)', () => {
  expect(readingFlowLs(reading(50, 60, { velocityMs: 9 }), 0.0314)).toBe(60)
  expect(readingFlowLs(reading(50, null, { velocityMs: 3 }), (Math.PI * 0.1 ** 2) / 4)).toBeCloseTo(23.561945, 6)
  expect(readingFlowLs(reading(50, null), 0.0314)).toBeNull()
})

test('1 kW at 5 K needs about 600 m³/h (common practice, no source); 1000 W at 3 K about 278 l/s (air.heatRemovalSteady, constant 1.2)', () => {
  expect(flowForHeatLs(1000, 5) * 3.6).toBeCloseTo(596.4, 1)
  expect((flowForHeatLs(1000, 3) * 1.2072) / 1.2).toBeCloseTo(277.778, 0)
  expect(() => flowForHeatLs(1000, 0)).toThrow('riseK must be positive')
})

test.each([
  { name: 'none', map: [], got: 0 },
  { name: 'two', map: [reading(30, 50), reading(60, 100)], got: 2 },
  { name: 'three at one setting', map: [reading(30, 50), reading(30, 51), reading(30, 52)], got: 1 },
  {
    name: 'three, one set aside',
    map: [reading(30, 50), reading(60, 100), reading(90, 150, { setAside: true })],
    got: 2,
  },
])('too few readings ($name) say how many are needed', ({ map, got }) =>
  expect(flowMap(calibration(map))).toEqual({ kind: 'too-few', needed: 3, got }),
)

describe('the fruiting room’s exhaust', () => {
  const { calibration: demo, brief } = demoInstallation('fruiting-room')
  const exhaust = demo.fans[0]!
  const map = mapOf(exhaust)
  test.each([
    // It stalls at 11: from there up it still runs, though it starts at 14 only.
    { pct: 10, flow: 0 },
    { pct: 13, flow: 22.1 },
    { pct: 20, flow: 34 },
    { pct: 60, flow: 117 },
    { pct: 100, flow: 193 },
  ])('at $pct % it gives $flow l/s', ({ pct, flow }) => expect(flowLsAt(map, pct)).toBeCloseTo(flow, 9))
  test('the reading that is set aside is kept and not used', () =>
    expect(map.points.filter(({ setAside }) => setAside).map(({ reading: { settingPct } }) => settingPct)).toEqual([
      45,
    ]))
  test('38 l/s needs 22 %, and that rules the floor', () => {
    const reasons = floorReasons({
      calibration: exhaust,
      flow: { kind: 'map', map },
      coolingFloorPct: 15,
      requiredFlowLs: brief.requiredFlow!.flowLs,
    })
    expect(reasons.map(({ kind, speedPct }) => `${kind} ${speedPct}`)).toEqual([
      'required-flow 22',
      'restarts 19',
      'stall 16',
      'motor-cooling 15',
      'turns 14',
    ])
  })
  test('a flow it cannot reach is said, at full speed', () =>
    expect(
      floorReasons({ calibration: exhaust, flow: { kind: 'map', map }, coolingFloorPct: null, requiredFlowLs: 500 })[0],
    ).toMatchObject({ kind: 'required-flow', speedPct: 100, note: '500 l/s is more than it gives' }))
})

test('a known curve with known noise is recovered within the noise', () => {
  // q = 2 l/s per percent, readings off by at most 3 l/s: isotonic means and monotone interpolation cannot leave that band.
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 5, maxLength: 9 }),
      fc.double({ min: 20, max: 100, noNaN: true }),
      (noise, pct) => {
        const readings = noise.map((off, index) =>
          reading(20 + (80 * index) / (noise.length - 1), 2 * (20 + (80 * index) / (noise.length - 1)) + off),
        )
        const map = mapOf(calibration(readings))
        // Between readings a monotone curve may bow by the noise on both sides of a gap.
        expect(Math.abs(flowLsAt(map, pct) - 2 * pct)).toBeLessThanOrEqual(3 + 6)
      },
    ),
    { seed: 31 },
  )
})

test('flow never falls as speed rises, and the speed for a flow is the way back', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 1, max: 200, noNaN: true }), { minLength: 3, maxLength: 8 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (flows, share) => {
        const map = mapOf(calibration(flows.map((flow, index) => reading(20 + index * 10, flow))))
        for (let pct = 1; pct <= 100; pct++)
          expect(flowLsAt(map, pct)).toBeGreaterThanOrEqual(flowLsAt(map, pct - 1) - 1e-9)
        const wanted = share * flowLsAt(map, 100)
        const pct = speedPctFor(map, wanted)
        expect(pct).not.toBeNull()
        expect(flowLsAt(map, pct!)).toBeGreaterThanOrEqual(wanted - 1e-9)
      },
    ),
    { seed: 32, numRuns: 50 },
  )
})
