import { emptyReading } from '@/core/calibration/empty'
import { repeatScatter } from '@/core/calibration/repeatScatter'
import { readingDoubts } from '@/core/calibration/readingDoubts'
import type { MapReading } from '@/core/calibration/schema'
import { normal, seeded } from '@/testing/seeded'

// Error rates by simulation, with seeds: what a verdict promises holds under honest scatter.

const RUNS = 1000

/** Flows of a fan on a system that may hold a pressure of its own against it, read with noise. */
function aMap(random: () => number, noise: number): MapReading[] {
  const count = 5 + Math.floor(random() * 6)
  const against = random() * 14
  const full = 30 + random() * 400
  return Array.from({ length: count }, (_, index) => {
    const pct = 20 + (80 * index) / (count - 1)
    const flow = (full * Math.sqrt(pct ** 2 - against ** 2)) / 100
    return { ...emptyReading(`m${index}`, Math.round(pct)), flowLs: flow * Math.exp(noise * normal(random)) }
  })
}
const doubted = (map: readonly MapReading[]): MapReading[] =>
  readingDoubts(
    map.map((reading) => ({ reading, flowLs: reading.flowLs! })),
    null,
  ).map(({ reading }) => reading)

describe.each([0.01, 0.03, 0.05])('readings with %d of noise', (noise) => {
  test('at most 2 % of clean ones are doubted', () => {
    const random = seeded(81)
    let [wrongly, all] = [0, 0]
    for (let run = 0; run < RUNS; run++) {
      const map = aMap(random, noise)
      wrongly += doubted(map).length
      all += map.length
    }
    expect(wrongly / all).toBeLessThanOrEqual(0.02)
  })
  test('95 % of those that are off by a quarter or more are found', () => {
    const random = seeded(82)
    let found = 0
    for (let run = 0; run < RUNS; run++) {
      const map = aMap(random, noise)
      const at = Math.floor(random() * map.length)
      const size = 0.25 + random() * 0.25
      const off = { ...map[at]!, flowLs: map[at]!.flowLs! * (random() < 0.5 ? 1 + size : 1 - size) }
      found += Number(doubted(map.map((reading, index) => (index === at ? off : reading))).includes(off))
    }
    expect(found / RUNS).toBeGreaterThanOrEqual(0.95)
  })
})

describe('readings repeated at one setting', () => {
  const at = (settingPct: number, flowLs: number) => ({ reading: emptyReading('m', settingPct), flowLs })
  test('give their scatter, pooled with n − 1', () => {
    // 95, 105: √(2 · 0.05²) of one degree of freedom; 198, 202: √(2 · 0.01²); pooled √((0.005 + 0.0002) / 2).
    const scatter = repeatScatter([at(50, 95), at(50, 105), at(100, 198), at(100, 202), at(70, 140)])
    expect(scatter?.settings).toBe(2)
    expect(scatter?.share).toBeCloseTo(Math.sqrt((0.005 + 0.0002) / 2), 9)
  })
  test('nothing read twice says nothing', () => expect(repeatScatter([at(50, 95), at(60, 105)])).toBeNull())
})
