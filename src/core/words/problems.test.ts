import fc from 'fast-check'
import type { Problem } from '@/core/json/problem'
import { CUSTOMARY, type UnitPreference } from '@/core/quantity/format'
import { problemLine, problemText, problemWordsFor } from '@/core/words/problems'

test.each<[Problem, string]>([
  [
    { code: 'no_speed_left', path: '', lowPct: 41, highPct: 44, stepPct: 5, levelsPct: [], bands: [] },
    'Between the floor of 41 % and the top of 44 % no speed is left to run at, with steps of 5 %: move the floor or the ceiling, or make a band narrower.',
  ],
  [
    {
      code: 'no_speed_left',
      path: '',
      lowPct: 30,
      highPct: 60,
      stepPct: 0,
      levelsPct: [20, 80],
      bands: [{ fromPct: 30, toPct: 60 }],
    },
    'Between the floor of 30 % and the top of 60 % no speed is left to run at, with levels of 20, 80 % and a skip band from 30 to 60 %: move the floor or the ceiling, or make a band narrower.',
  ],
  [
    { code: 'no_length', path: '', startMin: 480, endMin: 480 },
    'A period from 08:00 to 08:00 has no length; for the whole day use 00:00 to 24:00.',
  ],
  [
    { code: 'off_side', path: '', action: 'reverse', name: 'room', onAt: 20, offAt: 18 },
    'A heating differential on room must go off above where it comes on (on 20, off 18).',
  ],
  [
    { code: 'nothing_sets', path: '', means: 'kick.speedPct', builtIn: 'fixed' },
    'Nothing sets “kick.speedPct” here, and it is not built in: add a setting for it, or “fixed”.',
  ],
  [
    { code: 'nothing_sets', path: '', means: 'kick.speedPct', builtIn: null },
    'Nothing sets “kick.speedPct” here: add a setting for it.',
  ],
  [
    { code: 'order', path: '', low: 'The floor', lowValue: 90, high: 'the ceiling', highValue: 80, unit: '%' },
    'The floor (90 %) is above the ceiling (80 %).',
  ],
  [
    { code: 'order', path: '', low: 'The release', lowValue: 3, high: 'the rise', highValue: 3, unit: '' },
    'The release (3) is not below the rise (3).',
  ],
  [{ code: 'unknown_id', path: '', what: 'input', got: 'x', known: ['a', 'b'] }, 'There is no input “x”; known: a, b.'],
  [{ code: 'unknown_id', path: '', what: 'input', got: 'x', known: [] }, 'There is no input “x”.'],
  [
    { code: 'said', path: '', text: 'As it was stored by an earlier version.' },
    'As it was stored by an earlier version.',
  ],
])('%j', (problem, text) => expect(problemText(problem)).toBe(text))

test('the place stands before the sentence where there is one', () => {
  fc.assert(
    fc.property(fc.string(), (path) => {
      const line = problemLine({ code: 'empty_file', path })
      expect(line).toBe(path === '' ? 'The file is empty.' : `${path}: The file is empty.`)
    }),
    { seed: 2 },
  )
})

// A document says it in the units of the core; whoever reads it has their own.
const READER: UnitPreference = {
  ...CUSTOMARY,
  decimalMark: ',',
  dates: { order: 'month', clock: '12', weekFrom: 'sun' },
}

test.each<[Problem, usual: string, otherwise: string]>([
  [
    { code: 'order', path: '', low: 'The start', lowValue: 20.5, high: 'full', highValue: 18, unit: '°C' },
    'The start (20.5 °C) is above full (18 °C).',
    'The start (68,9 °F) is above full (64,4 °F).',
  ],
  [
    { code: 'order', path: '', low: 'low', lowValue: 0.25, high: 'high', highValue: 0.125, unit: '' },
    'low (0.25) is above high (0.125).',
    'low (0,25) is above high (0,125).',
  ],
  [
    { code: 'out_of_range', path: '', what: 'Flow', got: 94.38948864, min: 0, max: 47.19474432, unit: 'l/s' },
    'Flow is 94.3895 l/s; it must lie between 0 and 47.1947 l/s.',
    'Flow is 200 cfm; it must lie between 0 and 100 cfm.',
  ],
  [
    { code: 'overheat_order', path: '', onAt: 60, offBelow: 62.5 },
    'The overheat hold must end at or below where it begins (begins at 60 °C, ends below 62.5 °C).',
    'The overheat hold must end at or below where it begins (begins at 140 °F, ends below 144,5 °F).',
  ],
  [
    { code: 'no_length', path: '', startMin: 480, endMin: 480 },
    'A period from 08:00 to 08:00 has no length; for the whole day use 00:00 to 24:00.',
    'A period from 8:00 AM to 8:00 AM has no length; for the whole day use 12:00 AM to 12:00 AM.',
  ],
  [
    { code: 'event_after_end', path: '', atS: 90_000, endS: 87_300 },
    'This begins at hour 25, after the end at hour 24.3: move it, or add days.',
    'This begins at hour 25, after the end at hour 24,3: move it, or add days.',
  ],
])('%o in the words of its reader', (problem, usual, otherwise) => {
  expect([problemText(problem), problemWordsFor(READER).text(problem)]).toEqual([usual, otherwise])
})
