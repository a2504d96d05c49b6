import { canonicalJson } from '@/core/json/canonical'
import { readDraft, withValue } from '@/features/controllers/modelDraft'
import { demoModel } from '@/testing/examples'

const text = canonicalJson(demoModel('two-pad-pwm'))

test('a model as it should be has nothing to say', () =>
  expect(readDraft(text)).toMatchObject({ isGood: true, model: { id: 'two-pad-pwm' }, found: [] }))

test.each([
  { name: 'a value out of its range', path: ['settings', 0, 'slot'], value: 99, marks: '99' },
  { name: 'a word that is none of those possible', path: ['rounding'], value: 'sideways', marks: '"sideways"' },
])('$name is marked where it stands', ({ path, value, marks }) => {
  const wrong = withValue(text, path, value)
  const [found] = readDraft(wrong).found
  expect(found?.path).toBe(path.join('.'))
  expect(wrong.slice(found!.from, found!.to)).toBe(marks)
})

test('what is missing is marked at what should hold it', () => {
  const draft = readDraft(withValue(text, ['settings', 0, 'enter', 'seen'], undefined))
  expect(draft.isGood).toBe(false)
  expect(draft.found[0]).toMatchObject({ path: 'settings.0.enter' })
})

test('text that is no JSON is said, and nothing is thrown', () => {
  const draft = readDraft(text.slice(0, 200))
  expect(draft.isGood).toBe(false)
  expect(draft.found).toHaveLength(1)
})

test('one value is changed and the rest stays as it was written', () => {
  const changed = withValue(text, ['name'], 'Mine')
  expect(changed.split('\n').filter((line, index) => line !== text.split('\n')[index])).toEqual(['  "name": "Mine",'])
})
