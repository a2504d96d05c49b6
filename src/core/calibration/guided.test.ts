import fc from 'fast-check'
import { emptyReading } from '@/core/calibration/empty'
import { flowMap, sizedReadings, flowLsAt } from '@/core/calibration/flowMap'
import { nextReading } from '@/core/calibration/nextReading'
import { readingDoubts } from '@/core/calibration/readingDoubts'
import { doubtText } from '@/core/calibration/words'
import type { FanCalibration, MapReading } from '@/core/calibration/schema'

const reading = (settingPct: number, more: Partial<MapReading> = {}): MapReading => ({
  ...emptyReading(`m${settingPct}-${more.flowLs ?? more.velocityMs ?? ''}`, settingPct),
  ...more,
})
const fan = (map: MapReading[], areaM2: number | null = null): FanCalibration => ({
  fan: 'fan',
  startsPct: [14],
  stallsPct: [],
  restartMarginPct: 5,
  areaM2,
  map,
})
/** A fan against a duct with a fixed pressure in it: the flow starts late and bends. */
const trueFlow = (pct: number): number => (pct <= 16 ? 0 : 210 * Math.sqrt((pct / 100) ** 2 - 0.16 ** 2))
const guide = (map: MapReading[], required: number | null) =>
  nextReading(sizedReadings(fan(map)), 19, flowMap(fan(map)), required)

describe('which reading next', () => {
  test('the ends first, then where the requirement lies, then the gaps, then no more', () => {
    const map: MapReading[] = []
    const whys: string[] = []
    for (;;) {
      const next = guide(map, 60)
      if (!next) break
      whys.push(`${next.settingPct} ${next.why}`)
      map.push(reading(next.settingPct, { flowLs: trueFlow(next.settingPct) }))
      expect(map.length).toBeLessThan(12)
    }
    expect(whys).toEqual(['100 top', '19 lowest', '60 gap', '34 required', '80 gap'])
  })

  test('fewer readings than evenly spaced ones tell as much', () => {
    const errorOf = (map: MapReading[]): number => {
      const outcome = flowMap(fan(map))
      if (outcome.kind !== 'map') throw new Error('no map')
      let worst = 0
      for (let pct = 20; pct <= 100; pct++)
        worst = Math.max(worst, Math.abs(flowLsAt(outcome.map, pct) - trueFlow(pct)) / trueFlow(100))
      return worst
    }
    const guided: MapReading[] = []
    for (let next = guide(guided, 60); next; next = guide(guided, 60))
      guided.push(reading(next.settingPct, { flowLs: trueFlow(next.settingPct) }))
    expect(guided).toHaveLength(5)
    expect(errorOf(guided)).toBeLessThan(0.02)
    expect(errorOf(guided)).toBeLessThanOrEqual(
      errorOf([40, 55, 70, 85, 100].map((pct) => reading(pct, { flowLs: trueFlow(pct) }))),
    )
  })

  test('with noise of 3 % it ends, and the map is within 6 % of the top flow', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.03, max: 0.03, noNaN: true }), { minLength: 12, maxLength: 12 }),
        (off) => {
          const map: MapReading[] = []
          for (let next = guide(map, null); next; next = guide(map, null)) {
            map.push({
              ...reading(next.settingPct, { flowLs: trueFlow(next.settingPct) * (1 + off[map.length]!) }),
              id: `m${map.length}`,
            })
            expect(map.length).toBeLessThan(12)
          }
          const outcome = flowMap(fan(map))
          if (outcome.kind !== 'map') throw new Error('no map')
          for (const pct of [25, 50, 75, 100])
            expect(Math.abs(flowLsAt(outcome.map, pct) - trueFlow(pct))).toBeLessThan(0.06 * trueFlow(100))
        },
      ),
      { seed: 62 },
    )
  })
})

describe('readings that cannot be', () => {
  const good = [20, 40, 60, 80, 100].map((pct) => reading(pct, { flowLs: 2 * pct, rpm: 20 * pct }))
  const found = (map: MapReading[], ratedRpm: number | null = 2000, areaM2: number | null = null) =>
    readingDoubts(sizedReadings(fan(map, areaM2)), ratedRpm, map).map((doubt) => doubtText(doubt))

  test('a straight line has nothing to question', () => expect(found(good)).toEqual([]))
  test.each<[name: string, change: Partial<MapReading>, wording: RegExp]>([
    ['15 % over its neighbours', { flowLs: 138 }, /60 % the flow lies 15 % over/],
    ['falls with more speed', { flowLs: 60 }, /less flow was read than at a lower speed/],
    ['m³/h typed as l/s', { flowLs: 432 }, /did you mean 120 l\/s\? What was typed looks like m³\/h/],
    ['rev/s typed as rpm', { rpm: 20 }, /did you mean 1,?200 rpm\? What was typed looks like rev\/s/],
    ['over twice the rated speed', { rpm: 4200 }, /2\.1 times the rated one/],
  ])('%s', (_name, change, wording) =>
    expect(found(good.map((one) => (one.settingPct === 60 ? { ...one, ...change } : one)))).toEqual([
      expect.stringMatching(wording),
    ]),
  )
  test('a velocity in km/h typed as m/s: 14.8 for 4.1', () => {
    // Trade fact (common practice, no source): 4.1 m/s is 14.8 km/h.
    const map = [25, 50, 75, 100].map((pct) => reading(pct, { velocityMs: pct === 50 ? 14.8 : (4.1 * pct) / 50 }))
    expect(found(map, null, 0.03)).toEqual([expect.stringMatching(/did you mean 4\.1 m\/s\? .* km\/h/)])
  })
  test('all equal', () =>
    expect(found([30, 60, 90].map((pct) => reading(pct, { flowLs: 50 })))).toEqual([
      expect.stringMatching(/Every setting/),
    ]))
  test('one set aside is left in peace', () =>
    expect(found(good.map((one) => (one.settingPct === 60 ? { ...one, flowLs: 300, setAside: true } : one)))).toEqual(
      [],
    ))
  test('a curve that bows is no error', () => {
    const map = [19, 30, 45, 60, 80, 100].map((pct) => reading(pct, { flowLs: trueFlow(pct) }))
    expect(found(map, null)).toEqual([])
  })
})
