import { USUAL_DATES } from '@/core/quantity/dateStyle'
import { knownDisplay, USUAL_DISPLAY } from '@/core/quantity/display'

test.each([
  ['nothing said', undefined],
  ['no object', 'large'],
  ['choices nobody has', { textSize: 'toString', hand: 'both' }],
])('%s: as usual', (_name, said) => expect(knownDisplay(said)).toEqual(USUAL_DISPLAY))

test('what was chosen is read, whatever stands beside it', () =>
  expect(knownDisplay({ textSize: 'larger', hand: 'left', colour: 'mauve' })).toEqual({
    textSize: 'larger',
    hand: 'left',
    dates: USUAL_DATES,
    decimalMark: '.',
  }))

test.each([
  [',', ','],
  ['.', '.'],
  [';', '.'],
  [7, '.'],
])('%j before decimals is %s', (decimalMark, read) => expect(knownDisplay({ decimalMark }).decimalMark).toBe(read))
