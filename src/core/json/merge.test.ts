import fc from 'fast-check'
import { merge } from '@/core/json/merge'

const rule = (id: string, speedPct = 50) => ({ id, speedPct })
const base = {
  name: 'kiln',
  floor: { speedPct: 20, reasons: [] as string[] },
  rules: [rule('a'), rule('b')],
  note: null as string | null,
}

test.each([
  ['another field each', { ...base, name: 'oven' }, { ...base, note: 'n' }, { ...base, name: 'oven', note: 'n' }],
  [
    'a field inside the same part each',
    { ...base, floor: { ...base.floor, speedPct: 25 } },
    { ...base, floor: { ...base.floor, reasons: ['air'] } },
    { ...base, floor: { speedPct: 25, reasons: ['air'] } },
  ],
  [
    'a member of a list each',
    { ...base, rules: [rule('a', 60), rule('b')] },
    { ...base, rules: [rule('a'), rule('b', 70)] },
    { ...base, rules: [rule('a', 60), rule('b', 70)] },
  ],
  [
    'a member added by each',
    { ...base, rules: [rule('a'), rule('c'), rule('b')] },
    { ...base, rules: [rule('a'), rule('b'), rule('d')] },
    { ...base, rules: [rule('a'), rule('c'), rule('b'), rule('d')] },
  ],
  [
    'one taken away, another changed',
    { ...base, rules: [rule('b')] },
    { ...base, rules: [rule('a'), rule('b', 70)] },
    { ...base, rules: [rule('b', 70)] },
  ],
  [
    'the order changed by one, a member by the other',
    { ...base, rules: [rule('b'), rule('a')] },
    { ...base, rules: [rule('a', 10), rule('b')] },
    { ...base, rules: [rule('b'), rule('a', 10)] },
  ],
  ['the same by both', { ...base, name: 'oven' }, { ...base, name: 'oven' }, { ...base, name: 'oven' }],
])('%s is put together', (_, ours, theirs, together) => {
  expect(merge(base, ours, theirs)).toEqual({ value: together, conflicts: [] })
  expect(merge(base, theirs, ours).value).toEqual(together)
})

test.each([
  ['the same field', { ...base, name: 'oven' }, { ...base, name: 'dryer' }, ['name']],
  [
    'the same field of a member',
    { ...base, rules: [rule('a', 1), rule('b')] },
    { ...base, rules: [rule('a', 2), rule('b')] },
    ['rules.a.speedPct'],
  ],
  [
    'changed here, taken away there',
    { ...base, rules: [rule('a', 1), rule('b')] },
    { ...base, rules: [rule('b')] },
    ['rules.a'],
  ],
  [
    'a list without ids',
    { ...base, floor: { ...base.floor, reasons: ['x'] } },
    { ...base, floor: { ...base.floor, reasons: ['y'] } },
    ['floor.reasons'],
  ],
])('%s by both is asked about, and ours stands meanwhile', (_, ours, theirs, conflicts) => {
  const merged = merge(base, ours, theirs)
  expect(merged.conflicts).toEqual(conflicts)
  expect(merged.value).toEqual(ours)
})

const anyDocument = fc.record({
  name: fc.constantFrom('kiln', 'oven'),
  floor: fc.record({ speedPct: fc.constantFrom(20, 30) }),
  rules: fc.uniqueArray(fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd'), speedPct: fc.constantFrom(50, 60) }), {
    selector: ({ id }) => id,
  }),
})

test('a change alone is kept whole, whoever made it; both alike are no conflict', () => {
  fc.assert(
    fc.property(anyDocument, anyDocument, (before, after) => {
      expect(merge(before, after, before)).toEqual({ value: after, conflicts: [] })
      expect(merge(before, before, after)).toEqual({ value: after, conflicts: [] })
      expect(merge(before, after, after)).toEqual({ value: after, conflicts: [] })
    }),
    { seed: 4, numRuns: 500 },
  )
})

test('without a conflict it does not matter who is who, but for the order of a list that both changed', () => {
  let whole = 0
  fc.assert(
    fc.property(anyDocument, anyDocument, anyDocument, (before, one, other) => {
      const merged = merge(before, one, other)
      const turned = merge(before, other, one)
      expect(turned.conflicts.toSorted()).toEqual(merged.conflicts.toSorted())
      if (merged.conflicts.length > 0) return
      whole++
      const sorted = ({ rules, ...rest }: typeof before) => ({
        ...rest,
        rules: rules.toSorted((a, b) => (a.id < b.id ? -1 : 1)),
      })
      expect(sorted(merged.value)).toEqual(sorted(turned.value))
    }),
    { seed: 5, numRuns: 2000 },
  )
  expect(whole).toBeGreaterThan(100)
})
