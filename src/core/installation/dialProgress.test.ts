import { isDone, markCannot, markDone, putValue, whyCannot } from '@/core/installation/dialProgress'
import type { DialState } from '@/core/installation/installation'

const fresh = (): DialState => ({ present: [], done: [] })
const foot = (value: number) => ({ id: 'set-foot', value })

test('done is done with this value: what is wanted otherwise is open again', () => {
  const dial = fresh()
  markDone(dial, foot(17), true)
  expect([isDone(foot(17), dial), isDone(foot(18), dial), isDone({ id: 'set-rise', value: 17 }, dial)]).toEqual([
    true,
    false,
    false,
  ])
  markDone(dial, foot(18), true)
  expect(dial.done).toEqual([{ action: 'set-foot', value: 18 }])
  markDone(dial, foot(18), false)
  expect(dial.done).toEqual([])
})

test('what cannot be done is not done, and what was done could be', () => {
  const dial = fresh()
  markDone(dial, foot(17), true)
  markCannot(dial, foot(17), 'The wheel is broken.')
  expect(isDone(foot(17), dial)).toBe(false)
  expect(whyCannot(foot(17), dial)).toBe('The wheel is broken.')
  markCannot(dial, foot(17), 'It turns, and keeps nothing.')
  expect(dial.cannot).toEqual([{ action: 'set-foot', reason: 'It turns, and keeps nothing.' }])
  markDone(dial, foot(17), true)
  expect(whyCannot(foot(17), dial)).toBeNull()
  expect(isDone(foot(17), dial)).toBe(true)
})

test('an empty reason takes it back', () => {
  const dial = fresh()
  markCannot(dial, foot(17), 'No key.')
  markCannot(dial, foot(17), '')
  expect(whyCannot(foot(17), dial)).toBeNull()
})

test.each(['present', 'decided', 'readBack'] as const)('%s holds one value of each setting', (list) => {
  const dial = fresh()
  putValue(dial, list, 'foot', 17)
  putValue(dial, list, 'rise', 4)
  putValue(dial, list, 'foot', 18)
  expect(dial[list]).toEqual([
    { setting: 'rise', value: 4 },
    { setting: 'foot', value: 18 },
  ])
  putValue(dial, list, 'rise', null)
  expect(dial[list]).toEqual([{ setting: 'foot', value: 18 }])
})
