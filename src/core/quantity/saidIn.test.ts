import { CUSTOMARY, knownUnits, METRIC, startingDecimalMark, startingUnits, UNIT_CHOICES } from '@/core/quantity/format'
import { saidIn } from '@/core/quantity/saidIn'

test.each([
  ['12 °C stands in.', '53.6 °F stands in.'],
  ['below −10 °C outside', 'below 14.0 °F outside'],
  ['from 15 to 25 °C', 'from 59.0 °F to 77.0 °F'],
  ['5 K stands in.', '9.0 F° stands in.'],
  ['38 l/s is more than it gives', '81 cfm is more than it gives'],
  // What only looks like a figure of a unit stays.
  ['12 Kelvin, 3 kPas, 5 m³x', '12 Kelvin, 3 kPas, 5 m³x'],
  ['2 of 3 fans, 40 %, 60 s', '2 of 3 fans, 40 %, 60 s'],
])('“%s” reads “%s”', (text, said) => {
  expect(saidIn(text, CUSTOMARY)).toBe(said)
  expect(saidIn(text, METRIC)).toBe(text)
})

test.each([
  [undefined, {}],
  ['psi', {}],
  [{ pressure: 'inWG', gaugePressure: 'furlong', nothing: 'm' }, { pressure: 'inWG' }],
  // The usual one is no choice.
  [{ length: 'm', mass: 'lb' }, { mass: 'lb' }],
])('of %j are known %j', (said, known) => expect(knownUnits(said)).toEqual(known))

test('every choice is known, and comes back', () => {
  for (const [kind, choices] of Object.entries(UNIT_CHOICES))
    for (const symbol of choices.slice(1)) expect(knownUnits({ [kind]: symbol })).toEqual({ [kind]: symbol })
})

test.each([
  ['en-US,en;q=0.9', CUSTOMARY],
  ['es-US', CUSTOMARY],
  ['en-GB,en-US;q=0.8', METRIC],
  ['de', METRIC],
  ['', METRIC],
])('a browser of %s starts with its units', (languages, units) => expect(startingUnits(languages)).toBe(units))

test.each([
  ['de-AT,de;q=0.9', ','],
  ['fr', ','],
  ['en-GB,de;q=0.8', '.'],
  ['de-CH', '.'],
  ['ja', '.'],
  ['', '.'],
  ['no language at all', '.'],
])('a browser of “%s” starts with %s before decimals', (languages, mark) =>
  expect(startingDecimalMark(languages)).toBe(mark),
)

test('a text that is kept is said with the mark of who reads it; what is no figure with a unit stays', () => {
  const comma = { ...METRIC, decimalMark: ',' } as const
  expect(saidIn('12.5 °C and 38.0 l/s, by table 1.2', comma)).toBe('12,5 °C and 38,0 l/s, by table 1.2')
  expect(saidIn('12.5 °C', { ...CUSTOMARY, decimalMark: ',' })).toBe('54,5 °F')
})
