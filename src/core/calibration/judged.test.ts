import fc from 'fast-check'
import { balanceResult } from '@/core/calibration/balance'
import { gradeEvidence } from '@/core/calibration/evidence'
import { emptyCalibration, emptyReading } from '@/core/calibration/empty'
import { flowMap } from '@/core/calibration/flowMap'
import { noiseVerdict } from '@/core/calibration/noise'
import { spotVerdict } from '@/core/calibration/probeSpots'
import type { Balance, Instrument, MapReading } from '@/core/calibration/schema'

const reading = (settingPct: number, more: Partial<MapReading> = {}): MapReading => ({
  ...emptyReading(`m${settingPct}`, settingPct),
  ...more,
})

describe('noise against speed', () => {
  const SPEEDS = [30, 40, 50, 60, 70, 80, 90, 100]
  /** 60 dB at full by AMCA 301 (from memory), plus what is said for each speed. */
  const sound = (extra: Readonly<Record<number, number>> = {}, slope = 50) =>
    SPEEDS.map((pct) => reading(pct, { soundDb: 60 + slope * Math.log10(pct / 100) + (extra[pct] ?? 0) }))

  test.each([
    { name: 'the law alone: half speed is about 15 dB quieter', map: sound(), kind: 'as-law' },
    { name: 'four readings are too few', map: sound().slice(0, 4), kind: 'too-few' },
    { name: 'a rise to full, steeper than the law', map: sound({}, 90), kind: 'steep' },
    { name: 'the room’s own noise under it at low speed', map: sound({ 30: 12, 40: 6, 50: 2 }), kind: 'as-law' },
    { name: 'a peak at the very top is not gone above it', map: sound({ 100: 8, 90: 4 }), kind: 'as-law' },
    { name: 'a peak of 2 dB is the meter', map: sound({ 50: 2 }), kind: 'as-law' },
  ])('$name', ({ map, kind }) => expect(noiseVerdict(map).kind).toBe(kind))

  test('a peak that is gone above it is resonance, and its band lies between the quiet readings', () =>
    expect(noiseVerdict(sound({ 50: 8, 60: 6 }))).toMatchObject({ kind: 'resonance', fromPct: 45, toPct: 65 }))
  test('a reading set aside does not count', () =>
    expect(noiseVerdict(sound({ 50: 8 }).map((one) => ({ ...one, setAside: one.settingPct === 50 })))).toEqual({
      kind: 'as-law',
    }))
  test('a planted resonance is found through 1 dB of noise, and none is found without one', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 8, maxLength: 8 }),
        fc.constantFrom(40, 50, 60, 70, 80),
        (noise, at) => {
          const noisy = (map: MapReading[]) => map.map((one, i) => ({ ...one, soundDb: one.soundDb! + noise[i]! }))
          const found = noiseVerdict(noisy(sound({ [at]: 8 })))
          expect(found.kind).toBe('resonance')
          if (found.kind === 'resonance') {
            expect(found.fromPct).toBeLessThan(at)
            expect(found.toPct).toBeGreaterThan(at)
          }
          expect(noiseVerdict(noisy(sound())).kind).not.toBe('resonance')
        },
      ),
      { seed: 63 },
    )
  })
})

// Common practice, no source: about 65 °C at a normal fire; a tenth of the limit as margin.
test.each([
  { name: 'warm and moving, 20 K below its limit', mild: 65, hard: 130, survives: 150, verdict: 'good' },
  { name: 'at the limit', mild: 65, hard: 150, survives: 150, verdict: 'thin-margin' },
  { name: 'over the limit', mild: 65, hard: 151, survives: 150, verdict: 'too-hot' },
  { name: 'just the margin', mild: 65, hard: 135, survives: 150, verdict: 'good' },
  { name: 'just short of the margin', mild: 65, hard: 135.1, survives: 150, verdict: 'thin-margin' },
  { name: 'hardly moves', mild: 40, hard: 42, survives: 150, verdict: 'unresponsive' },
  { name: 'only mild', mild: 65, hard: null, survives: 150, verdict: 'incomplete' },
  { name: 'limit not known', mild: 65, hard: 100, survives: null, verdict: 'limit-unknown' },
  { name: 'condenser: as the gauges say', mild: 37.2, hard: null, survives: 90, target: 38, verdict: 'good' },
  { name: 'condenser: 3 K off the gauges', mild: 35, hard: null, survives: 90, target: 38, verdict: 'off-target' },
])('a spot for a probe: $name', ({ mild, hard, survives, target = null, verdict }) =>
  expect(spotVerdict({ mild, hard }, { survivesToC: survives, resolution: 0.5, targetC: target }).verdict).toBe(
    verdict,
  ),
)

describe('balance', () => {
  const terminal = (id: string, side: 'supply' | 'extract', wantedLs: number | null, readLs: number | null) => ({
    id,
    name: id,
    side,
    wantedLs,
    readLs,
  })
  const flat = (terminals: Balance['terminals']): Balance => ({
    supplyPct: 60,
    extractPct: 50,
    tolerancePct: 10,
    terminals,
  })
  const result = balanceResult(
    flat([
      terminal('bed', 'supply', 12, 9),
      terminal('living', 'supply', 18, 18),
      terminal('bath', 'extract', 15, 18),
      terminal('kitchen', 'extract', 15, 18),
    ]),
  )
  test('totals, and which side has more', () =>
    expect(result).toMatchObject({
      verdict: 'more-extract',
      supply: { readLs: 27, wantedLs: 30 },
      extract: { readLs: 36 },
    }))
  test('each fan is trimmed by the first fan law to what is wanted', () =>
    expect([result.supply.trimmedPct, result.extract.trimmedPct]).toEqual([67, 42]))
  test('the terminal with least of its share stays open, the others close towards it', () =>
    expect(result.terminals.map(({ id, trim }) => `${id} ${trim}`)).toEqual([
      'bed open',
      'living close',
      'bath open',
      'kitchen open',
    ]))
  test('without wanted flows both meet at the smaller total', () => {
    const bare = balanceResult(flat([terminal('in', 'supply', null, 40), terminal('out', 'extract', null, 50)]))
    expect(bare).toMatchObject({ supply: { trimmedPct: 60 }, extract: { trimmedPct: 40 }, verdict: 'more-extract' })
  })
  test('a missing reading, or none at all: no verdict', () => {
    expect(balanceResult(flat([terminal('in', 'supply', 20, null), terminal('out', 'extract', 20, 20)])).verdict).toBe(
      'too-few',
    )
    expect(balanceResult(flat([])).verdict).toBe('too-few')
  })
  test('after the trims the two sides agree within the rounding of a percent', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 100, noNaN: true }),
        fc.double({ min: 10, max: 100, noNaN: true }),
        (supplyLs, extractLs) => {
          const { supply, extract } = balanceResult(
            flat([terminal('in', 'supply', null, supplyLs), terminal('out', 'extract', null, extractLs)]),
          )
          const after = (ls: number, pct: number, trimmed: number) => (ls * trimmed) / pct
          const off = after(supplyLs, 60, supply.trimmedPct!) / after(extractLs, 50, extract.trimmedPct!) - 1
          // Half a percent of a setting of at least 5 % on each side.
          expect(Math.abs(off)).toBeLessThan(0.25)
        },
      ),
      { seed: 64 },
    )
  })
})

describe('evidence', () => {
  const hood: Instrument = { id: 'hood', name: 'Hood', kind: 'hood', accuracyPct: 3, calibratedOn: '2026-02-01' }
  const grade = (readings: MapReading[], instruments: Instrument[] = [hood], areaM2: number | null = 0.05) => {
    const outcome = flowMap({ ...emptyCalibration('fan'), areaM2, map: readings })
    if (outcome.kind !== 'map') throw new Error('no map')
    return gradeEvidence(outcome.map, instruments)
  }
  const read = [25, 50, 75, 100].map((pct) =>
    reading(pct, { flowLs: 2 * pct, instrument: 'hood', takenOn: '2026-11-09' }),
  )
  test('direct, with a calibrated instrument: strong', () =>
    expect(grade(read)).toEqual({ grade: 'strong', reasons: [] }))
  test.each<[name: string, readings: MapReading[], instruments: Instrument[], reason: string, grade: string]>([
    [
      'velocity only',
      read.map((r) => ({ ...r, flowLs: null, velocityMs: r.settingPct / 25 })),
      [hood],
      'velocity-only',
      'weak',
    ],
    ['no instrument', read, [], 'no-instrument', 'fair'],
    ['three settings', read.slice(1), [hood], 'few', 'fair'],
    ['calibration not known', read, [{ ...hood, calibratedOn: null }], 'calibration-unknown', 'fair'],
    [
      'calibrated the day before a year ago',
      read,
      [{ ...hood, calibratedOn: '2025-11-07' }],
      'calibration-old',
      'fair',
    ],
    [
      'scatter',
      [...read, reading(50, { flowLs: 140, instrument: 'hood', takenOn: '2026-11-09' })],
      [hood],
      'scatter',
      'fair',
    ],
  ])('%s', (_name, readings, instruments, reason, expected) =>
    expect(grade(readings, instruments)).toEqual({ grade: expected, reasons: [reason] }),
  )
  test('a year to the day still counts', () =>
    expect(grade(read, [{ ...hood, calibratedOn: '2025-11-09' }]).grade).toBe('strong'))
})
