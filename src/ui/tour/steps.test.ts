/** @jest-environment jsdom */
import { isDone, TOUR } from '@/ui/tour/steps'

const ADDRESSES = [
  '/yard',
  '/installation/i/respond',
  '/installation/i/dial-in',
  '/installation/i/prove',
  '/installation/i/hand-over',
]

test('seven steps, each done at one address of the program', () => {
  expect(TOUR).toHaveLength(7)
  for (const { at } of TOUR) expect(ADDRESSES.filter((address) => at.test(address))).toHaveLength(1)
})

test('where something is to be done, being there is not enough, nor is doing it elsewhere', () => {
  document.body.innerHTML =
    '<main><ul><li><input type="checkbox" /></li></ul></main><input id="beside" type="checkbox" />'
  const dialIn = TOUR.find(({ title }) => title === 'Dial in')!
  const box = document.querySelector('main input')!
  const path = '/installation/i/dial-in'
  expect(isDone(dialIn, path, null)).toBe(false)
  expect(isDone(dialIn, path, { kind: 'click', target: document.querySelector('#beside')! })).toBe(false)
  expect(isDone(dialIn, path, { kind: 'pointerup', target: box })).toBe(false)
  expect(isDone(dialIn, '/installation/i/prove', { kind: 'click', target: box })).toBe(false)
  expect(isDone(dialIn, path, { kind: 'click', target: box })).toBe(true)
})
