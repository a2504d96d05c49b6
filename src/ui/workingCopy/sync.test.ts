import fc from 'fast-check'
import { SEND_AFTER_MS, sync, type SyncEvent, type SyncState } from '@/ui/workingCopy/sync'

const KEPT: SyncState = {
  version: 4,
  standing: { kind: 'kept', savedAt: 'then' },
  owed: null,
  isTouched: false,
  sending: null,
}
const OWED: SyncState = { ...KEPT, standing: { kind: 'keeping' }, owed: 'a' }
const SENDING: SyncState = { ...OWED, sending: 'a' }
const BEHIND: SyncState = {
  ...OWED,
  standing: { kind: 'behind', savedBy: 'Tam', savedAt: 'then', places: [] },
}
const PROBLEM = { code: 'said', path: 'x', text: 'No.' } as const
const CONTRADICTS: SyncState = { ...OWED, standing: { kind: 'contradicts', problems: [PROBLEM] } }
const DONE = { kind: 'done', version: 5, savedAt: 'now' } as const

const answered = (answer: Extract<SyncEvent, { kind: 'answered' }>['answer']): SyncEvent => ({
  kind: 'answered',
  saveId: 'a',
  answer,
})

test.each<[string, SyncState, SyncEvent, Partial<SyncState>, readonly object[]]>([
  ['a touch', KEPT, { kind: 'touched' }, { isTouched: true, standing: { kind: 'keeping' } }, []],
  ['a touch of what is behind', BEHIND, { kind: 'touched' }, { isTouched: true }, []],
  [
    'a change that holds together',
    { ...KEPT, isTouched: true },
    { kind: 'changed', saveId: 'b', problems: [] },
    { owed: 'b', isTouched: false, standing: { kind: 'keeping' } },
    [{ kind: 'write' }, { kind: 'later', afterMs: SEND_AFTER_MS }],
  ],
  [
    'a change that contradicts itself',
    KEPT,
    { kind: 'changed', saveId: 'b', problems: [PROBLEM] },
    { owed: 'b', standing: { kind: 'contradicts', problems: [PROBLEM] } },
    [{ kind: 'write' }, { kind: 'wait' }],
  ],
  ['a change while behind', BEHIND, { kind: 'changed', saveId: 'b', problems: [] }, { owed: 'b' }, [{ kind: 'write' }]],
  ['the time to send', OWED, { kind: 'due' }, { sending: 'a' }, [{ kind: 'send', saveId: 'a', baseVersion: 4 }]],
  ['the time to send with nothing owed', KEPT, { kind: 'due' }, {}, []],
  ['the time to send while one is on its way', SENDING, { kind: 'due' }, {}, []],
  ['the time to send while behind', BEHIND, { kind: 'due' }, {}, []],
  ['the time to send what contradicts itself', CONTRADICTS, { kind: 'due' }, {}, []],
  [
    'the last change is acknowledged',
    SENDING,
    answered(DONE),
    { version: 5, owed: null, sending: null, standing: { kind: 'kept', savedAt: 'now' } },
    [{ kind: 'drop', saveId: 'a' }, { kind: 'acknowledge' }, { kind: 'announce', version: 5 }],
  ],
  [
    'the last one is acknowledged while a finger goes on',
    { ...SENDING, isTouched: true },
    answered(DONE),
    { version: 5, owed: null, sending: null, standing: { kind: 'keeping' } },
    [{ kind: 'drop', saveId: 'a' }, { kind: 'acknowledge' }, { kind: 'announce', version: 5 }],
  ],
  [
    'one is acknowledged and another is owed',
    { ...SENDING, owed: 'b' },
    answered(DONE),
    { version: 5, owed: 'b', sending: null, standing: { kind: 'keeping' } },
    [{ kind: 'acknowledge' }, { kind: 'announce', version: 5 }, { kind: 'write' }, { kind: 'later', afterMs: 0 }],
  ],
  [
    'one is acknowledged and the other contradicts itself',
    { ...CONTRADICTS, owed: 'b', sending: 'a' },
    answered(DONE),
    { version: 5, sending: null, standing: CONTRADICTS.standing },
    [{ kind: 'acknowledge' }, { kind: 'announce', version: 5 }, { kind: 'write' }, { kind: 'later', afterMs: 0 }],
  ],
  [
    'someone was faster',
    SENDING,
    answered({ kind: 'behind', version: 6, savedBy: 'Tam', savedAt: 'then' }),
    { sending: null },
    [{ kind: 'merge', savedBy: 'Tam', savedAt: 'then' }],
  ],
  [
    'the server finds a contradiction',
    SENDING,
    answered({ kind: 'invalid', problems: [PROBLEM] }),
    { sending: null, standing: { kind: 'contradicts', problems: [PROBLEM] } },
    [],
  ],
  ...(['gone', 'busy', 'full'] as const).map(
    (why): [string, SyncState, SyncEvent, Partial<SyncState>, readonly object[]] => [
      `the server cannot: ${why}`,
      SENDING,
      answered({ kind: 'unavailable', why }),
      { sending: null, standing: { kind: 'waiting', why } },
      [{ kind: 'later', afterMs: 2000 }],
    ],
  ),
  ...(['unknown', 'signed-out'] as const).map(
    (kind): [string, SyncState, SyncEvent, Partial<SyncState>, readonly object[]] => [
      `the server does not: ${kind}`,
      SENDING,
      answered({ kind }),
      { sending: null, standing: { kind: 'waiting', why: kind } },
      [{ kind: 'later', afterMs: 2000 }],
    ],
  ),
  [
    'who may only look',
    SENDING,
    answered({ kind: 'forbidden', text: 'As a reader…' }),
    { sending: null, owed: null, standing: { kind: 'forbidden', text: 'As a reader…' } },
    [{ kind: 'drop', saveId: null }],
  ],
  [
    'both were put together',
    OWED,
    { kind: 'merged', version: 7, saveId: 'c' },
    { version: 7, owed: 'c', standing: { kind: 'keeping' } },
    [{ kind: 'write' }, { kind: 'later', afterMs: 0 }],
  ],
  [
    'both changed the same',
    OWED,
    { kind: 'clashed', savedBy: 'Tam', savedAt: 'then', places: ['floor'] },
    { standing: { kind: 'behind', savedBy: 'Tam', savedAt: 'then', places: ['floor'] } },
    [],
  ],
  [
    'theirs could not be had',
    OWED,
    { kind: 'not-fetched' },
    { standing: { kind: 'waiting', why: 'gone' } },
    [{ kind: 'later', afterMs: 2000 }],
  ],
  [
    'theirs is taken',
    BEHIND,
    { kind: 'taken', version: 9, savedAt: 'now' },
    { version: 9, owed: null, standing: { kind: 'kept', savedAt: 'now' } },
    [{ kind: 'drop', saveId: null }],
  ],
  ['ours is put over it', BEHIND, { kind: 'insisted', version: 9 }, { version: 9, standing: { kind: 'keeping' } }, []],
  [
    'something is found that was owed before',
    KEPT,
    { kind: 'found', version: 3, saveId: 'z' },
    { version: 3, owed: 'z', standing: { kind: 'keeping' } },
    [{ kind: 'later', afterMs: 0 }],
  ],
])('%s', (_, before, event, change, effects) =>
  expect(sync(before, event)).toEqual({ state: { ...before, ...change }, effects }),
)

const anyAnswer: fc.Arbitrary<SyncEvent> = fc
  .constantFrom(
    DONE,
    { kind: 'behind', version: 6, savedBy: 'Tam', savedAt: 'then' } as const,
    { kind: 'unavailable', why: 'gone' } as const,
    { kind: 'invalid', problems: [PROBLEM] } as const,
  )
  .map(answered)
const anyEvent: fc.Arbitrary<SyncEvent> = fc.oneof(
  fc.constantFrom<SyncEvent>(
    { kind: 'touched' },
    { kind: 'due' },
    { kind: 'merged', version: 7, saveId: 'm' },
    { kind: 'clashed', savedBy: 'Tam', savedAt: 'then', places: [] },
    { kind: 'not-fetched' },
    { kind: 'insisted', version: 8 },
  ),
  fc.record({
    kind: fc.constant('changed' as const),
    saveId: fc.constantFrom('a', 'b', 'c'),
    problems: fc.constantFrom([], [PROBLEM]),
  }),
  anyAnswer,
)

test('whatever happens: kept means that nothing is owed, and what is owed goes only by acknowledgement or on demand', () => {
  fc.assert(
    fc.property(fc.array(anyEvent, { maxLength: 30 }), (events) => {
      let state = KEPT
      for (const event of events) {
        const before = state
        const next = sync(state, event)
        state = next.state
        if (state.standing.kind === 'kept') expect([state.owed, state.isTouched]).toEqual([null, false])
        if (before.owed !== null && state.owed === null)
          expect(event).toMatchObject({ kind: 'answered', saveId: before.owed, answer: { kind: 'done' } })
        // Never two on their way at once, and never what contradicts itself.
        const sends = next.effects.filter(({ kind }) => kind === 'send')
        if (sends.length > 0) expect([before.sending, before.standing.kind === 'contradicts']).toEqual([null, false])
      }
    }),
    { seed: 3, numRuns: 3000 },
  )
})
