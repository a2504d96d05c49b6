import { CUSTOMARY, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { DifferenceOf } from '@/core/rehearse/compare'
import type { Calm, Hunt } from '@/core/rehearse/hunting'
import type { Measure } from '@/core/rehearse/measures'
import {
  differencesText,
  huntText,
  measureName,
  measureSum,
  measureValue,
  momentText,
  spanText,
  VERDICT_WORDS,
} from '@/core/rehearse/words'
import { MEASURE_IDS, MEASURE_UNITS, VERDICTS, type MeasureId, type MeasureUnit } from '@/core/scenario/measureIds'
import { demoInstallation } from '@/testing/examples'

const AMERICAN: UnitPreference = { ...CUSTOMARY, dates: { order: 'month', clock: '12', weekFrom: 'sun' } }

const measure = (id: MeasureId, more: Partial<Measure> = {}): Measure => ({
  ...{ id, value: 1, unit: 's', against: 30, atS: null, verdict: 'none', better: null },
  ...more,
})

// 2026-11-24 is a Tuesday.
test.each([
  [0, METRIC, 'Tue 00:00'],
  [15 * 3600 + 600, METRIC, 'Tue 15:10'],
  [15 * 3600 + 600, AMERICAN, 'Tue 3:10 PM'],
  [86400, AMERICAN, 'Wed 12:00 AM'],
  [6 * 86400 + 59, METRIC, 'Mon 00:00'],
])('%i s after a Tuesday began', (atS, preference, text) =>
  expect(momentText('2026-11-24', atS, preference)).toBe(text),
)

test.each([
  [0, '0 min'],
  [20, 'under 1 min'],
  [41 * 60, '41 min'],
  [99.4 * 60, '99 min'],
  [100 * 60, '1 h 40'],
  [42 * 3600 + 43 * 60, '42 h 43'],
])('%d s are “%s”', (seconds, text) => expect(spanText(seconds)).toBe(text))

describe('every measure', () => {
  test('has a name, with what it is held against in the reader’s unit', () => {
    const names = MEASURE_IDS.map((id) => measureName(measure(id), AMERICAN))
    for (const name of names) expect(name).toMatch(/^[A-Z][^°]*(?:\d[\d.]* (?:°F|%RH|dB)?)?/u)
    expect(new Set(names).size).toBeGreaterThan(MEASURE_IDS.length - 4)
    expect(measureName(measure('past-limit'), AMERICAN)).toBe('Past the limit, 86.0 °F')
    expect(measureName(measure('damp-past-limit'), AMERICAN)).toBe('Past the limit, 30.0 %RH')
  })

  test.each<[MeasureUnit, number, string, string]>([
    ['temperature', 30, '30.0 °C', '86.0 °F'],
    ['humidity', 80, '80.0 %RH', '80.0 %RH'],
    ['flow', 100, '100 l/s', '212 cfm'],
    ['s', 5400, '90 min', '90 min'],
    ['count', 12, '12', '12'],
    ['sound', 38.92, '38.9 dB', '38.9 dB'],
    ['kWh', 1.036, '1.04 kWh', '1.04 kWh'],
    ['kWh', 36.04, '36.0 kWh', '36.0 kWh'],
    ['kWh', 360.4, '360 kWh', '360 kWh'],
    ['ppm', 1850.2, '1850 ppm', '1850 ppm'],
  ])('in %s: %d', (unit, value, metric, american) => {
    expect(measureValue({ value, unit })).toBe(metric)
    expect(measureValue({ value, unit }, AMERICAN)).toBe(american)
  })

  test('has a unit that can be said, and a verdict in words', () => {
    for (const unit of MEASURE_UNITS) expect(measureValue({ value: 60, unit })).toMatch(/^[\d.]+/)
    for (const verdict of VERDICTS) expect(VERDICT_WORDS[verdict]).toMatch(/\w/)
  })
})

describe('what one has over another', () => {
  const one = (id: MeasureId, value: number, other: number, unit: MeasureUnit = 's'): DifferenceOf => ({
    ...{ id, unit, value, other, better: 'less', weight: 1 },
  })

  test.each([
    [[], [], 'A and B come to the same in everything that counts.'],
    [
      [one('hottest', 28, 30, 'temperature')],
      [],
      'A against B: 2.0 K cooler at its hottest, and it costs nothing of what counts.',
    ],
    [
      [],
      [one('starts', 9, 4, 'count')],
      'A against B: 5 more starts in its worst hour, and it gains nothing of what counts.',
    ],
    [
      [one('night-sound', 35, 38.5, 'sound'), one('dampest', 85, 80, 'humidity')],
      [one('energy', 2, 1.2, 'kWh'), one('past-limit', 3600, 600)],
      'A against B: 3.5 dB quieter at night and 5.0 %RH damper at its dampest, for 0.80 kWh more for the fan and 50 min longer past the limit.',
    ],
    [
      [one('coldest', 18, 15, 'temperature'), one('lowest-flow', 60, 40, 'flow')],
      [one('heating', 3, 4, 'kWh'), one('changes', 10, 60, 'count'), one('trips', 1, 0, 'count')],
      'A against B: 3.0 K warmer at its coldest and 20 l/s more at its lowest, for 1.00 kWh less heating and 50 fewer speed changes in its worst hour and 1 more trip.',
    ],
  ])('%#', (gains, costs, text) => expect(differencesText(['A', 'B'], { gains, costs })).toBe(text))

  test.each(MEASURE_IDS)('%s is said both ways', (id) => {
    const unit: MeasureUnit = id === 'lowest-flow' ? 'flow' : 's'
    const said = (value: number, other: number) =>
      differencesText(['A', 'B'], { gains: [one(id, value, other, unit)], costs: [] }, AMERICAN)
    expect(said(600, 6000)).toMatch(/^A against B: [\d.]+[^.]* (?:less|cooler|drier|quieter|fewer)/)
    expect(said(6000, 600)).toMatch(/^A against B: [\d.]+[^.]* (?:longer|warmer|damper|louder|more)/)
    for (const text of [said(600, 6000), said(6000, 600)]) expect(text).not.toMatch(/undefined|NaN|°C|l\/s/)
  })
})

describe('a hunt', () => {
  const asked = demoInstallation('fruiting-room').response
  const response = { ...asked, steps: { ...asked.steps, stepPct: 5 } }
  const ramp = response.rules.findIndex(({ kind }) => kind === 'ramp')
  const hunt = (more: Partial<Hunt>): Hunt => ({
    ...{ fromS: 8 * 3600, toS: 14.5 * 3600, periodS: 360, lowPct: 22.4, highPct: 65, startsAnHour: 0 },
    ...{ rule: ramp, cause: null, digitPct: 7.5, digit: 0.5 },
    ...more,
  })
  const calm: Calm = { rule: ramp, key: 'fullAt', value: 22, band: 6, bandNow: 4 }

  test('says when, how it swings and what calms it', () => {
    const { title, text, cure } = huntText(response, hunt({ cause: 'gain' }), calm, '2026-11-24')
    expect(title).toBe('It hunts, Tue 08:00–14:30.')
    expect(text).toContain('22 ↔ 65 % every 6 min.')
    expect(text).toContain('The band is narrow for how fast this space answers')
    expect(text).toContain('At 6.0 K it is calm.')
    expect(cure).toBe('6.0 K')
  })

  test('in the reader’s units and by their clock', () => {
    const { title, text } = huntText(response, hunt({ cause: 'digit' }), calm, '2026-11-24', AMERICAN)
    expect(title).toBe('It hunts, Tue 8:00 AM–2:30 PM.')
    expect(text).toContain('One digit of the probe (0.9 F°) moves the fan 7.5 points.')
    expect(text).toContain('At 10.8 F° it is calm.')
  })

  test.each<[Hunt['cause'], RegExp]>([
    ['step', /between two neighbouring steps of the output \(5 %\)/],
    ['differential-digit', /hardly more than one digit of the probe \(0\.5 K\)/],
    ['band', /The differential is small/],
    [null, /every 6 min\. No wider band that was tried calms it\.$/],
  ])('by %s', (cause, words) => expect(huntText(response, hunt({ cause }), null, '2026-11-24').text).toMatch(words))

  test('that starts from rest says so; what is looked for still is not said', () => {
    const { title, text, cure } = huntText(response, hunt({ startsAnHour: 12, rule: null }), undefined, '2026-11-24')
    expect(title).toBe('It starts too often, Tue 08:00–14:30.')
    expect(text).toBe('22 ↔ 65 % every 6 min.')
    expect(cure).toBeNull()
  })
})

test('what was out on the sum is in the reader’s degrees', () => {
  expect([measureSum('above-band', 13.2), measureSum('above-band', 13.2, AMERICAN)]).toEqual(['13 K·h', '24 F°·h'])
  expect(measureSum('above-damp', 387.9, AMERICAN)).toBe('388 %RH·h')
})
