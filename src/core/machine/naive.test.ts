import fc from 'fast-check'
import { anyResponse, anySeries } from '@/testing/anyResponse'
import { machineFor } from '@/testing/examples'
import { NaiveInterpreter } from '@/testing/naiveInterpreter'

/** Days since 1970-01-01 of some years, now and then none. */
const date = fc.oneof(
  { weight: 9, arbitrary: fc.integer({ min: 20_400, max: 21_900 }) },
  { weight: 1, arbitrary: fc.constant(NaN) },
)

test('the machine agrees with an interpreter written a second time, on 10,000 random responses and series', () => {
  let compared = 0
  fc.assert(
    fc.property(
      anyResponse,
      anySeries,
      fc.integer({ min: 0, max: 10079 }),
      date,
      (response, series, startMin, from) => {
        const machine = machineFor(response)
        const state = machine.newState()
        const naive = new NaiveInterpreter(response)
        let atS = 0
        for (const [index, { dtS, ...values }] of series.entries()) {
          if (index > 0) atS += dtS
          const moment = {
            atS,
            values: { ...values, clock: (startMin * 60 + atS) % 604800, date: from + atS / 86_400 },
          }
          machine.step(state, machine.inputsFrom(moment.values), index === 0 ? 0 : dtS)
          const expected = naive.at(moment)
          // One look a moment: a matcher for every fan of a quarter of a million moments takes two minutes.
          if (expected.some((pct, fan) => !(Math.abs(state.fansPct[fan]! - pct) < 1e-9)))
            expect({ moment, fansPct: Array.from(state.fansPct) }).toEqual({ moment, fansPct: expected })
          compared += expected.length
        }
      },
    ),
    { seed: 81, numRuns: 10_000 },
  )
  expect(compared).toBeGreaterThan(100_000)
}, 120_000)
