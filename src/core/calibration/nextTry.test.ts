import fc from 'fast-check'
import { emptyCalibration } from '@/core/calibration/empty'
import { afterTry, bracketOf, dropTrial, foundPct, keepTry, nextTry, type Bracket } from '@/core/calibration/nextTry'

const at = (standsPct: number | null, turnsPct: number | null): Bracket => ({ standsPct, turnsPct })

test.each<[name: string, bracket: Bracket, last: number | null, next: number | null]>([
  ['nothing tried', at(null, null), null, 10],
  ['after a trial that ended at 14: just short of it', at(null, null), 14, 12],
  ['stands at 10: a stride up', at(10, null), null, 15],
  ['turns at once: a stride down', at(null, 10), null, 5],
  ['bracketed: the middle', at(10, 15), null, 13],
  ['one step apart: found', at(13, 14), null, null],
  ['stands even at full', at(100, null), null, null],
  ['turns even at nothing', at(null, 0), null, null],
])('%s', (_name, bracket, last, next) => expect(nextTry(bracket, 1, last)).toBe(next))

test('any threshold is found to a step, in few tries, whatever the step of the controller', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 100 }),
      fc.constantFrom(1, 2, 5, 12.5),
      fc.option(fc.integer({ min: 0, max: 100 }), { nil: null }),
      (thresholdPct, stepPct, last) => {
        let bracket = at(null, null)
        for (let tries = 0; tries <= 26; tries++) {
          const pct = nextTry(bracket, stepPct, last)
          if (pct === null) {
            if (bracket.turnsPct !== null) expect(bracket.turnsPct).toBeGreaterThanOrEqual(thresholdPct)
            if (bracket.standsPct !== null) expect(bracket.standsPct).toBeLessThan(thresholdPct)
            return
          }
          bracket = afterTry(bracket, pct, pct >= thresholdPct)
        }
        throw new Error('not found')
      },
    ),
    { seed: 61 },
  )
})

test('a try that contradicts an earlier one is believed', () => {
  expect(afterTry(at(12, 15), 11, true)).toEqual(at(null, 11))
  expect(afterTry(at(12, 15), 16, false)).toEqual(at(16, null))
})

describe('tries are kept as they are made', () => {
  const fresh = () => structuredClone(emptyCalibration('fan'))

  test('12 stood and 17 turned: 17 is what was seen to turn, and 15 is nothing', () => {
    const held = fresh()
    keepTry(held, 'start', 12, false, 1)
    keepTry(held, 'start', 17, true, 1)
    expect(held.tries).toHaveLength(2)
    expect(held.startsPct).toEqual([])
    const bracket = bracketOf(held, 'start')
    expect(bracket).toEqual(at(12, 17))
    expect(foundPct(bracket, 'start')).toBe(17)
    expect(foundPct(bracketOf(held, 'stall'), 'stall')).toBeNull()
  })

  test('a trial that is known to a step is closed with what it found, and the next begins empty', () => {
    const held = fresh()
    for (const [pct, turned] of [
      [12, false],
      [14, true],
      [13, true],
    ] as const)
      keepTry(held, 'start', pct, turned, 1)
    expect(held.startsPct).toEqual([13])
    expect(bracketOf(held, 'start')).toEqual(at(null, null))
    keepTry(held, 'stall', 9, true, 1)
    keepTry(held, 'stall', 8, false, 1)
    expect(held.stallsPct).toEqual([8])
  })

  test('a trial taken away takes its tries with it', () => {
    const held = fresh()
    for (const start of [12, 15]) {
      keepTry(held, 'start', start - 1, false, 1)
      keepTry(held, 'start', start, true, 1)
    }
    expect(held.startsPct).toEqual([12, 15])
    dropTrial(held, 'start', 0)
    expect(held.startsPct).toEqual([15])
    expect(held.tries?.map(({ trial, settingPct }) => [trial, settingPct])).toEqual([
      [0, 14],
      [0, 15],
    ])
    dropTrial(held, 'start', 0)
    expect(held.tries).toEqual([])
  })
})
