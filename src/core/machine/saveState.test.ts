import fc from 'fast-check'
import { loadState, saveState } from '@/core/machine/saveState'
import type { Response } from '@/core/response/schema'
import type { Rule } from '@/core/rules/table'
import { exampleResponse, machineFor } from '@/testing/examples'

const RULES: readonly Rule[] = [
  { id: 'ramp', kind: 'ramp', input: 'temp', startAt: 18, fullAt: 28, fromPct: 20, toPct: 90, below: 'nothing' },
  {
    id: 'boost',
    kind: 'switch',
    input: 'boost',
    speedPct: 70,
    onDelayS: 20,
    overrun: { kind: 'matched', factor: 1, floorS: 30, capS: 300 },
  },
  {
    id: 'diff',
    kind: 'differential',
    input: 'temp',
    action: 'direct',
    onAt: 24,
    offAt: 22,
    speedPct: 60,
    minOnS: 60,
    minOffS: 60,
  },
  { id: 'rapid-rise', kind: 'rapid-rise', input: 'temp', windowS: 120, rise: 4, release: 1, speedPct: 80, capS: 200 },
  { id: 'cycle', kind: 'cycle', onS: 30, periodS: 100, speedPct: 40 },
  { id: 'after', kind: 'hold-after-fall', input: 'temp', armAbove: 26, speedPct: 50, holdS: 150 },
]

const anyResponse: fc.Arbitrary<Response> = fc
  .record({
    rules: fc.subarray([...RULES]),
    offAllowed: fc.boolean(),
    scanS: fc.constantFrom(0, 30),
    hasBands: fc.boolean(),
    hasRate: fc.boolean(),
    hasKick: fc.boolean(),
    hasFinalRunOn: fc.boolean(),
  })
  .map(({ rules, offAllowed, scanS, hasBands, hasRate, hasKick, hasFinalRunOn }) =>
    exampleResponse({
      rules,
      floor: { speedPct: 20, reasons: [], offAllowed },
      scanS,
      ...(hasBands ? { skipBands: [{ fromPct: 43, toPct: 48 }] } : {}),
      ...(hasRate ? { rate: { upPctPerS: 0.5, downPctPerS: 1 } } : {}),
      ...(hasFinalRunOn ? { finalRunOn: { holdS: 60, speedPct: null } } : {}),
      startKick: hasKick ? { speedPct: 60, holdS: 15 } : null,
    }),
  )
const anySeries = fc.array(
  fc.record({
    temp: fc.oneof(fc.double({ min: 10, max: 35, noNaN: true }), fc.constant(NaN)),
    boost: fc.constantFrom(0, 1),
    dtS: fc.integer({ min: 0, max: 90 }),
  }),
  { minLength: 2, maxLength: 40 },
)

test('saved and gone on with is the same as not interrupted, through JSON text', () => {
  fc.assert(
    fc.property(anyResponse, anySeries, fc.nat(), (response, series, at) => {
      const machine = machineFor(response)
      const whole = machine.newState()
      let broken = machine.newState()
      series.forEach(({ temp, boost, dtS }, index) => {
        if (index === at % series.length) {
          const loaded = loadState(machine, JSON.parse(JSON.stringify(saveState(broken))))
          if (!loaded.ok) throw new Error(JSON.stringify(loaded.problems))
          broken = loaded.value
        }
        const inputs = machine.inputsFrom({ temp, boost })
        machine.step(whole, inputs, dtS)
        machine.step(broken, inputs, dtS)
        expect(Array.from(broken.fansPct)).toEqual(Array.from(whole.fansPct))
      })
    }),
    { seed: 71 },
  )
})

test('speeds stay finite, off or between floor and ceiling, and out of skip bands, whatever happens', () => {
  fc.assert(
    fc.property(anyResponse, anySeries, (response, series) => {
      const machine = machineFor(response)
      const state = machine.newState()
      for (const { temp, boost, dtS } of series) {
        machine.step(state, machine.inputsFrom({ temp, boost }), dtS)
        const given = state.fansPct[0]!
        const { rate, skipBands = [], floor, ceiling } = response
        expect(Number.isFinite(given)).toBe(true)
        expect(given).toBeLessThanOrEqual(ceiling.speedPct)
        if (rate) continue
        if (given > 0 || !floor.offAllowed) expect(given).toBeGreaterThanOrEqual(floor.speedPct)
        for (const { fromPct, toPct } of skipBands) expect(given > fromPct && given < toPct).toBe(false)
      }
    }),
    { seed: 72 },
  )
})

test('with a rate, a skip band is crossed and not stayed in: no longer inside than its width at that rate', () => {
  const band = { fromPct: 43, toPct: 48 }
  const machine = machineFor(
    exampleResponse({
      rules: [RULES[0]!],
      skipBands: [band],
      rate: { upPctPerS: 0.5, downPctPerS: 1 },
    }),
  )
  fc.assert(
    fc.property(fc.array(fc.double({ min: 10, max: 35, noNaN: true }), { minLength: 2, maxLength: 12 }), (temps) => {
      const state = machine.newState()
      let [insideS, longestS] = [0, 0]
      for (const temp of temps)
        // Each stands long enough for a crossing to end before the next.
        for (let second = 0; second < 200; second++) {
          machine.step(state, machine.inputsFrom({ temp }), 1)
          const isInside = state.fansPct[0]! > band.fromPct && state.fansPct[0]! < band.toPct
          insideS = isInside ? insideS + 1 : 0
          longestS = Math.max(longestS, insideS)
        }
      expect(longestS).toBeLessThanOrEqual((band.toPct - band.fromPct) / 0.5)
    }),
    { seed: 73, numRuns: 30 },
  )
})

test('the state of another response is refused with a way out', () => {
  const saved = saveState(machineFor(exampleResponse({ rules: [...RULES] })).newState())
  expect(loadState(machineFor(exampleResponse()), saved)).toMatchObject({ ok: false, problems: [{ path: 'memory' }] })
  expect(loadState(machineFor(exampleResponse()), { schema: 'other' })).toMatchObject({ ok: false })
})
