import { dropAt, insertAt, joinPaths, putAt, valueAt } from '@/core/json/path'

const document = () => ({
  rules: [
    { id: 'a', at: 1 },
    { id: 'b', at: 2, spans: [{ from: 3 }] },
  ],
  followers: [{ fan: 'x' }],
  floor: { pct: 20 },
})

test.each([
  ['', document()],
  ['floor.pct', 20],
  ['rules.b.at', 2],
  ['rules.1.spans.0.from', 3],
  ['followers.x.fan', 'x'],
  ['rules.c.at', undefined],
  ['floor.pct.more', undefined],
])('at “%s” stands %j', (place, value) => expect(valueAt(document(), place)).toEqual(value))

test('a figure is put, taken away, and an item put back where it was', () => {
  const draft = document()
  putAt(draft, 'rules.a.at', 9)
  putAt(draft, 'floor.pct', undefined)
  expect([draft.rules[0]!.at, 'pct' in draft.floor]).toEqual([9, false])
  dropAt(draft, 'rules.a')
  expect(draft.rules.map(({ id }) => id)).toEqual(['b'])
  insertAt(draft, 'rules.0', { id: 'a', at: 9 })
  expect(draft.rules.map(({ id }) => id)).toEqual(['a', 'b'])
})

test('a list that is not there yet is made for an item', () => {
  const draft: { bands?: unknown[] } = {}
  insertAt(draft, 'bands.0', { from: 1 })
  expect(draft.bands).toEqual([{ from: 1 }])
})

test('nothing can be put where nothing holds it', () =>
  expect(() => putAt(document(), 'none.there', 1)).toThrow(RangeError))

test('places are joined with what is there of them', () => {
  expect([joinPaths('', 'a.b'), joinPaths('a', ''), joinPaths('a', 'b')]).toEqual(['a.b', 'a', 'a.b'])
})
