import { mayDraw } from '@/server/drawing'

test('one page in half a second is drawn here; the others are left to the browser', () => {
  const asked = [0, 10, 499, 500, 600, 1100, 5000, 5001]
  expect(asked.filter((ms) => mayDraw(ms))).toEqual([0, 500, 1100, 5000])
})
