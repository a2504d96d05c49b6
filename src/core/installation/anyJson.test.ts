import fc from 'fast-check'
import { readDocument } from '@/core/installation/read'
import { compile } from '@/core/machine/compile'
import type { Response } from '@/core/response/schema'
import { problemLine } from '@/core/words/problems'
import { anyResponse } from '@/testing/anyResponse'
import { demoText } from '@/testing/examples'

const DOCUMENTS: readonly unknown[] = [
  'controllers/strip-list-house.json',
  'controllers/gear-wheel-curtain.json',
  'installations/fruiting-room.json',
].map((file) => JSON.parse(demoText(file)) as unknown)

const junk = fc.oneof(
  fc.constantFrom<unknown>(null, '', -1, 0, 1e300, true, [], {}, 'ramp', 'nowhere', [[]], {
    schema: 'soft-gale/response@2',
  }),
  fc.jsonValue(),
)

/** The document with one thing in it, found by turns at random, taken out or put to something else. */
function damaged(document: unknown, turns: readonly number[], value: unknown): unknown {
  if (typeof document !== 'object' || document === null || turns.length === 0) return value
  const keys = Object.keys(document)
  const key = keys[turns[0]! % Math.max(1, keys.length)]
  if (key === undefined) return value
  const inner = damaged((document as Record<string, unknown>)[key], turns.slice(1), value)
  if (Array.isArray(document)) return document.map((held: unknown, index) => (String(index) === key ? inner : held))
  return inner === undefined
    ? Object.fromEntries(Object.entries(document).filter(([name]) => name !== key))
    : { ...document, [key]: inner }
}

/** Reads it; what is wrong must be said in words, and a response that is accepted must run. */
function readSafely(data: unknown): void {
  const outcome = readDocument(data)
  if (!outcome.ok) {
    expect(outcome.problems.length).toBeGreaterThan(0)
    for (const problem of outcome.problems) expect(problemLine(problem)).not.toMatch(/undefined|\[object/)
    return
  }
  if (outcome.value.name !== 'soft-gale/response@2') return
  const machine = compile(outcome.value.document as Response)
  if (!machine.ok) throw new Error('accepted, and then refused')
  const state = machine.value.newState()
  for (const dtS of [0, 10, 1e6]) {
    machine.value.step(state, machine.value.inputsFrom({}), dtS)
    expect(Array.from(state.fansPct).every(Number.isFinite)).toBe(true)
  }
}

test('any JSON ends in a document or in a message, never in an exception', () => {
  fc.assert(fc.property(junk, readSafely), { seed: 41, numRuns: 500 })
})

test('so does any good document with something in it damaged', () => {
  const turns = fc.array(fc.nat(40), { minLength: 1, maxLength: 8 })
  const value = fc.oneof(fc.constant(undefined), junk)
  fc.assert(
    fc.property(fc.oneof(fc.constantFrom(...DOCUMENTS), anyResponse), turns, value, (document, way, put) =>
      readSafely(damaged(document, way, put)),
    ),
    { seed: 42, numRuns: 2000 },
  )
})
