import { findingText, readFinding, type Finding } from '@/core/prove/finding'

const FINDINGS: readonly (readonly [Finding, string])[] = [
  [{ code: 'not-read', names: ['Room', 'Exhaust'] }, 'Not everything that counts was read: Room, Exhaust.'],
  [
    { code: 'off', step: null, fan: 'Exhaust', offPct: 1.25, lowPct: 20, highPct: 24 },
    'Exhaust 1.3 percentage points off; 20 to 24 % allowed.',
  ],
  [
    { code: 'off', step: 2, fan: 'Exhaust', offPct: 0, lowPct: 20, highPct: 24 },
    'Step 2: Exhaust 0 percentage points off; 20 to 24 % allowed.',
  ],
  [{ code: 'nothing-changes' }, 'At these readings nothing was to change: it was not brought surely past its point.'],
  [
    { code: 'too-wide', lowPct: 12.4, highPct: 61.6, mostPct: 15 },
    'At this reading anything from 12 to 62 % would be right: more than 15 percentage points to either side. Bring it further from where the speed changes.',
  ],
  [
    { code: 'change-off', fan: 'Exhaust', expectPct: -30, offPct: 8, allowedPct: 5 },
    'Exhaust: between the two it should change by 30 percentage points; 8 off, 5 allowed.',
  ],
  [{ code: 'too-near' }, 'The two readings lie too near together to compare them.'],
  [{ code: 'time-off', offS: 61.04, allowedS: 5 }, '61 s off; 5 s allowed.'],
  [{ code: 'seen', asExpected: true }, 'Seen as expected.'],
  [{ code: 'seen', asExpected: false }, 'Not as expected.'],
  [{ code: 'as-written', text: 'Good.' }, 'Good.'],
]

test.each(FINDINGS)('%j is kept and read as “%s”', (finding, text) => {
  expect(readFinding(JSON.parse(JSON.stringify(finding)))).toEqual({ ok: true, value: finding })
  expect(findingText(finding)).toBe(text)
})

test.each([[{ code: 'off' }], [{ code: 'later' }], [{ code: 'too-near', more: 1 }], [null], ['Good.']])(
  '%j is no finding',
  (data) => expect(readFinding(data).ok).toBe(false),
)
