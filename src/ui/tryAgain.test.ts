/** @jest-environment jsdom */
import { mayTryAgain } from '@/ui/tryAgain'

const S = 1000

beforeEach(() => sessionStorage.clear())

test('a page tries again four times a minute, then waits for a person or a minute', () => {
  expect([0, 3, 6, 9, 12].map((atS) => mayTryAgain((100 + atS) * S))).toEqual([true, true, true, true, false])
  expect(mayTryAgain((100 + 59) * S)).toBe(false)
  expect(mayTryAgain((100 + 60) * S)).toBe(true)
})

test('what is no time in the store is nothing', () => {
  sessionStorage.setItem('gale-tried-again', 'a b 7 -3')
  expect(mayTryAgain(100 * S)).toBe(true)
})
