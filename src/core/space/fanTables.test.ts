import { emptyReading } from '@/core/calibration/empty'
import type { Calibration, MapReading } from '@/core/calibration/schema'
import { fanTable, tableAt } from '@/core/space/fanTables'
import { demoInstallation } from '@/testing/examples'

const { kit, calibration } = demoInstallation('kiln-room')
const fan = { fan: 'exhaust', way: 'out', fullLs: 500, runUpS: 0 } as const
const reading = (settingPct: number, parts: Partial<MapReading>): MapReading => ({
  ...emptyReading(`m${settingPct}`, settingPct),
  ...parts,
})
const withMap = (map: MapReading[]): Calibration => ({ ...calibration, fans: [{ ...calibration.fans[0]!, map }] })

test('flow is that of the map where there is one, else in proportion from where it starts', () => {
  const mapped = fanTable(fan, { kit, calibration })
  expect(tableAt(mapped.flowLs, 100)).toBeCloseTo(403, 0)
  const bare = fanTable(fan, { kit, calibration: withMap([]) })
  expect(tableAt(bare.flowLs, 100)).toBe(500)
  expect(tableAt(bare.flowLs, 10)).toBe(0)
})

test('sound is straight over the logarithm of the speed between readings, and by the fan law beyond them', () => {
  const { sound } = fanTable(fan, {
    kit,
    calibration: withMap([reading(40, { soundDb: 40 }), reading(80, { soundDb: 52 })]),
  })
  const db = (pct: number) => 10 * Math.log10(tableAt(sound, pct))
  expect(db(40)).toBeCloseTo(40, 6)
  expect(db(56.5)).toBeCloseTo(40 + (12 * Math.log(56.5 / 40)) / Math.log(2), 2)
  // AMCA 301, from memory: 50 log N.
  expect(db(100)).toBeCloseTo(52 + 50 * Math.log10(100 / 80), 6)
})

test('power is as measured where two readings have it, else by the law of the motor, and says which', () => {
  const slipping = fanTable(fan, { kit, calibration: withMap([]) })
  expect(slipping.powerBy).toBe('square')
  expect(tableAt(slipping.powerW, 50)).toBeCloseTo(160 / 4, 6)
  const electronic = fanTable(fan, {
    kit: { fans: [{ ...kit.fans[0]!, motor: 'electronic' }] },
    calibration: withMap([]),
  })
  expect(electronic.powerBy).toBe('cube')
  expect(tableAt(electronic.powerW, 50)).toBeCloseTo(160 * (0.06 + 0.94 / 8), 6)
  const measured = fanTable(fan, {
    kit,
    calibration: withMap([reading(50, { powerW: 60 }), reading(80, { powerW: 120 })]),
  })
  expect(measured.powerBy).toBe('measured')
  expect([0, 25, 50, 65, 80, 100].map((pct) => Math.round(tableAt(measured.powerW, pct) * 10) / 10)).toEqual([
    0, 30, 60, 90, 120, 187.5,
  ])
  const one = fanTable(fan, { kit, calibration: withMap([reading(50, { powerW: 60 })]) })
  expect(one.powerBy).toBe('square')
})
