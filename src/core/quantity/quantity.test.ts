import fc from 'fast-check'
import {
  DECIMAL_MARKS,
  figuresFor,
  formatFigure,
  formatQuantity,
  formatTick,
  formatTime,
  METRIC,
} from '@/core/quantity/format'
import { bareMeanings, parseQuantity } from '@/core/quantity/parse'
import { problemText } from '@/core/words/problems'
import { fromBase, QUANTITIES, quantitySpec, toBase, type Quantity } from '@/core/quantity/units'

const read = (text: string, quantity: Quantity, options = {}) => {
  const outcome = parseQuantity(text, quantity, options)
  return outcome.ok ? outcome.value : outcome.problems[0]!.code
}

describe('what people type', () => {
  test.each([
    { text: '68F', quantity: 'temperature', base: 20 },
    { text: '20c', quantity: 'temperature', base: 20 },
    { text: ' 18,3 °C ', quantity: 'temperature', base: 18.3 },
    { text: '−4 C', quantity: 'temperature', base: -4 },
    { text: '3.6 F', quantity: 'temperatureDifference', base: 2 },
    { text: '2 K', quantity: 'temperatureDifference', base: 2 },
    { text: '0.5 h', quantity: 'time', base: 1800 },
    { text: '15 min', quantity: 'time', base: 900 },
    { text: '14:50', quantity: 'time', base: 890 },
    { text: '1:02:03', quantity: 'time', base: 3723 },
    { text: '0:07.5', quantity: 'time', base: 7.5 },
    { text: '90 cfm', quantity: 'flow', base: 42.475269888 },
    { text: '454 m3/h', quantity: 'flow', base: 126.1111111 },
    { text: '0.24 inWG', quantity: 'pressure', base: 59.7813384 },
    { text: '.5', quantity: 'volts', base: 0.5 },
  ] as const)('$text as $quantity is $base', ({ text, quantity, base }) =>
    expect(read(text, quantity)).toBeCloseTo(base, 6),
  )

  test.each([
    { text: 'warm', quantity: 'temperature', code: 'not_a_number' },
    { text: '', quantity: 'temperature', code: 'not_a_number' },
    { text: '14:75', quantity: 'time', code: 'unknown_unit' },
    { text: '14:50', quantity: 'speed', code: 'unknown_unit' },
    { text: 'NaN', quantity: 'speed', code: 'not_a_number' },
    { text: 'Infinity', quantity: 'speed', code: 'not_a_number' },
    { text: '20 V', quantity: 'temperature', code: 'unknown_unit' },
    { text: '2 K', quantity: 'temperature', code: 'unknown_unit' },
    { text: '1,200', quantity: 'rotation', code: 'ambiguous_comma' },
    { text: '101', quantity: 'humidity', code: 'implausible' },
    { text: '-1', quantity: 'speed', code: 'implausible' },
  ] as const)('$text as $quantity is refused: $code', ({ text, quantity, code }) =>
    expect(read(text, quantity)).toBe(code),
  )

  // A mark before three figures may stand between thousands; the mark of whoever types does not.
  test.each([
    { text: '1,205', decimalMark: ',', read: 1.205 },
    { text: '1.205', decimalMark: ',', read: 'ambiguous_comma' },
    { text: '1.2', decimalMark: ',', read: 1.2 },
    { text: '1,205', decimalMark: '.', read: 'ambiguous_comma' },
    { text: '1.205', decimalMark: '.', read: 1.205 },
    { text: '1,2', decimalMark: '.', read: 1.2 },
  ] as const)('$text of one who writes $decimalMark is $read', ({ text, decimalMark, read: expected }) =>
    expect(read(text, 'density', { decimalMark })).toBe(expected),
  )

  test('what is refused is said as whoever typed it writes it', () => {
    const refused = parseQuantity('6120,5', 'temperature', { decimalMark: ',' })
    expect(refused.ok ? [] : refused.problems.map(problemText)).toEqual([expect.stringContaining('6120,5 °C')])
  })

  test('what is typed without a unit is in the unit the person reads', () =>
    expect(read('68', 'temperature', { typedUnit: '°F' })).toBeCloseTo(20, 9))
})

describe('units', () => {
  // GNU Units 2.22 figures from reference-values `unit.temperature`, `unit.factors`.
  test.each([
    { c: -40, f: -40 },
    { c: 0, f: 32 },
    { c: 4, f: 39.2 },
    { c: 100, f: 212 },
    { c: 21.11111111, f: 70 },
    { c: 37.77777778, f: 100 },
  ])('$c °C is $f °F', ({ c, f }) => expect(fromBase(QUANTITIES.temperature.units[1], c)).toBeCloseTo(f, 6))

  test.each([
    { k: 0.5, f: 0.9 },
    { k: 2, f: 3.6 },
    { k: 15, f: 27 },
    { k: -5, f: -9 },
  ])('a difference of $k K is $f F°, with no 32 in it', ({ k, f }) =>
    expect(fromBase(QUANTITIES.temperatureDifference.units[1], k)).toBeCloseTo(f, 9),
  )

  test('there and back is the same in every unit; nothing is zero at zero but differences', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(QUANTITIES) as Quantity[])),
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        (quantity, x) =>
          quantitySpec(quantity).units.every(
            (unit) => Math.abs(fromBase(unit, toBase(unit, x)) - x) <= 1e-9 * Math.max(1, Math.abs(x)),
          ),
      ),
      { seed: 11 },
    )
  })
})

test.each([
  { base: 18.3, quantity: 'temperature', wording: '18.3 °C' },
  { base: -0.04, quantity: 'temperature', wording: '0.0 °C' },
  { base: -4, quantity: 'temperature', wording: '−4.0 °C' },
  { base: NaN, quantity: 'flow', wording: '– l/s' },
] as const)('$base shows as $wording', ({ base, quantity, wording }) =>
  expect(formatQuantity(base, quantity)).toBe(wording),
)

test.each(DECIMAL_MARKS)(
  'whatever stands in a field with “%s” before decimals can be typed into it again',
  (decimalMark) => {
    const reader = { ...METRIC, decimalMark }
    const measured = (Object.keys(QUANTITIES) as Quantity[]).filter(
      (quantity) => !['contact', 'time'].includes(quantity),
    )
    fc.assert(
      fc.property(fc.constantFrom(...measured), fc.double({ min: 0.01, max: 0.99, noNaN: true }), (quantity, share) => {
        const { units, plausible } = quantitySpec(quantity)
        const [min, max] = [Math.max(plausible[0], -1e6), Math.min(plausible[1], 1e6)]
        const base = min + share * (max - min)
        const text = formatFigure(base, quantity, reader)
        expect(text).not.toContain(decimalMark === ',' ? '.' : ',')
        const back = read(text, quantity, { typedUnit: units[0].symbol, decimalMark })
        expect(Math.abs(Number(back) - base)).toBeLessThanOrEqual(
          (units[0].scale ?? 1) * 0.5001 * 10 ** -units[0].decimals,
        )
      }),
      { seed: 12 },
    )
  },
)

test('figures without a kind have the mark of their reader too', () => {
  const { num, pct, time } = figuresFor({ decimalMark: ',' })
  expect([
    num(-1234.5, 1),
    num(0.001, 2),
    pct(12.5),
    pct(12),
    time(9000),
    formatTick(2.5, { decimalMark: ',' }),
  ]).toEqual(['−1234,5', '0,00', '12,5', '12', '2,5 h', '2,5'])
})

test('a person of °F and cfm reads points with 32 and differences without', () => {
  const imperial = { ...METRIC, temperature: 'F', flow: 'cfm' } as const
  expect([
    formatQuantity(20, 'temperature', imperial),
    formatQuantity(2, 'temperatureDifference', imperial),
    formatQuantity(42.4752699, 'flow', imperial),
  ]).toEqual(['68.0 °F', '3.6 F°', '90 cfm'])
})

test.each([
  [4, '4 s'],
  [90, '90 s'],
  [900, '15 min'],
  [5400, '90 min'],
  [9000, '2.5 h'],
])('%d seconds are said as %s', (timeS, wording) => expect(formatTime(timeS)).toBe(wording))

describe('a bare number where several units are usual', () => {
  test.each([
    { text: '130', taken: '130 kPa', others: ['130 bar', '130 psi'] },
    { text: '325', taken: '325 kPa', others: ['325 psi'] },
  ])('$text on a gauge is taken as $taken, and the others are offered', ({ text, taken, others }) => {
    const meant = bareMeanings(text, 'gaugePressure')!
    expect(meant.taken.text).toBe(taken)
    expect(meant.others.map((one) => one.text)).toEqual(others)
  })
  test('by the unit of the field', () =>
    expect(bareMeanings('130', 'gaugePressure', 'psi')?.taken).toMatchObject({ text: '130 psi' }))
  test.each(['130 psi', '9.2bar', 'x', ''])('“%s” says its unit, or is no number', (text) =>
    expect(bareMeanings(text, 'gaugePressure')).toBeNull(),
  )
  test('where one unit is usual nothing is asked', () => expect(bareMeanings('20', 'temperature')).toBeNull())
})

// GNU Units 2.22 and the definitions: 1 mbar = 100 Pa, 1 mmH₂O = 9.80665 Pa, 1 inHg = 3386.389 Pa.
test.each([
  ['2.4 mbar', 'pressure', 240],
  ['25 mmH2O', 'pressure', 245.16625],
  ['1 inHg', 'pressure', 3386.38864],
  ['30 inHg', 'gaugePressure', 101.5916592],
  // What a gauge leaves out is the standard atmosphere, 101.325 kPa (ISO 2533): 10 bar abs are 898.675 kPa on the gauge.
  ['10 bar abs', 'gaugePressure', 898.675],
  ['14.69594878 psia', 'gaugePressure', 0],
  ['14.69594878 psia', 'absolutePressure', 101.325],
] as const)('%s of %s', (text, quantity, base) => {
  const read = parseQuantity(text, quantity)
  expect(read.ok ? read.value : NaN).toBeCloseTo(base, 4)
})

describe('a time said in parts', () => {
  test.each([
    ['14 min 20 s', 860],
    ['2 h 5 min', 7500],
    ['1 d 2 h 3 min 4 s', 93784],
    ['1,5 h 10 min', 6000],
    ['2h 5min', 7500],
  ])('%s is %i s', (text, timeS) => expect(parseQuantity(text, 'time')).toEqual({ ok: true, value: timeS }))
  test.each(['20 s 14 min', '5 min 6 min', '4 min 3 K', '4 min x'])('%s is refused in words', (text) =>
    expect(parseQuantity(text, 'time')).toMatchObject({ ok: false }),
  )
})
