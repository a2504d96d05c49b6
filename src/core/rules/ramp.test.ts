import fc from 'fast-check'
import type { Ramp } from '@/core/rules/ramp'
import { exampleResponse, machineFor, settledPct } from '@/testing/examples'
import { referencePoints } from '@/testing/reference'

const ramp = (changes: Partial<Ramp> = {}): Ramp => ({
  id: 'r',
  kind: 'ramp',
  input: 'temp',
  startAt: 20,
  fullAt: 25,
  fromPct: 20,
  toPct: 100,
  below: 'from',
  ...changes,
})

const through = (rule: Ramp, x: number, floorPct = 0): number =>
  settledPct(machineFor(exampleResponse({ floor: { speedPct: floorPct, reasons: [] }, rules: [rule] })), { temp: x })

describe('against the reference list', () => {
  test.each(
    referencePoints('ctl.ramp').map(({ in: i, out }) => ({
      x: i.T as number,
      below: i.below as string,
      pct: out.pct as number,
    })),
  )('at $x °C, below: $below → $pct %', ({ x, below, pct }) =>
    expect(through(ramp({ below: below === 'hold' ? 'from' : 'nothing' }), x)).toBeCloseTo(pct, 6),
  )
  test.each(referencePoints('ctl.rampReverse').map(({ in: i, out }) => ({ x: i.T as number, pct: out.pct as number })))(
    'falling, at $x °C → $pct %',
    ({ x, pct }) => expect(through(ramp({ startAt: 20, fullAt: 16, fromPct: 10 }), x)).toBeCloseTo(pct, 6),
  )
  test.each(
    referencePoints('ctl.headPressure').map(({ in: i, out }) => ({
      tF: i.t_F as number,
      minPct: i.min_pct as number,
      pct: out.pct as number,
    })),
  )('head pressure at $tF °F from $minPct % → $pct %', ({ tF, minPct, pct }) => {
    const toC = (f: number) => ((f - 32) * 5) / 9
    expect(through(ramp({ startAt: toC(70), fullAt: toC(100), fromPct: minPct }), toC(tF))).toBeCloseTo(pct, 6)
  })
  test.each(
    referencePoints('ctl.pwmRamp').map(({ in: i, out }) => ({
      x: i.t_C as number,
      hold: out.pct_hold as number,
      off: out.pct_off as number,
    })),
  )('PWM at $x °C → $hold or $off %', ({ x, hold, off }) => {
    const rule = ramp({ startAt: 40, fullAt: 55, fromPct: 30 })
    expect(through(rule, x)).toBeCloseTo(hold, 4)
    expect(through({ ...rule, below: 'nothing' }, x)).toBeCloseTo(off, 4)
  })
})

test('85 °F is half of a 70–100 °F ramp (common practice, no source)', () => {
  const toC = (f: number) => ((f - 32) * 5) / 9
  expect(through(ramp({ startAt: toC(70), fullAt: toC(100), fromPct: 0 }), toC(85))).toBeCloseTo(50, 9)
})

test.each([
  { how: 'rescale', pct: 45 },
  { how: 'clip', pct: 55 },
] as const)(
  '25 °C / 2 K, floor 10, ceiling 80, at 26 °C: $how → $pct % (common practice, no source)',
  ({ how, pct }) => {
    const response = exampleResponse({
      floor: { speedPct: 10, reasons: [] },
      ceiling: { speedPct: 80, how },
      rules: [ramp({ startAt: 25, fullAt: 27, fromPct: 10 })],
    })
    expect(settledPct(machineFor(response), { temp: 26 })).toBeCloseTo(pct, 9)
  },
)

const anyRamp = fc
  .tuple(
    fc.double({ min: -20, max: 60, noNaN: true }),
    fc.double({ min: 0.1, max: 30, noNaN: true }),
    fc.boolean(),
    fc.integer({ min: 0, max: 100 }),
    fc.integer({ min: 0, max: 100 }),
  )
  .map(([startAt, span, isFalling, a, b]) =>
    ramp({
      startAt,
      fullAt: isFalling ? startAt - span : startAt + span,
      fromPct: Math.min(a, b),
      toPct: Math.max(a, b),
    }),
  )

test('exact at both ends, inside its own speeds, monotone', () => {
  fc.assert(
    fc.property(
      anyRamp,
      fc.double({ min: -100, max: 100, noNaN: true }),
      fc.double({ min: 0, max: 50, noNaN: true }),
      (rule, x, more) => {
        const sign = Math.sign(rule.fullAt - rule.startAt)
        expect(through(rule, rule.startAt)).toBe(rule.fromPct)
        expect(through(rule, rule.fullAt)).toBe(rule.toPct)
        const [near, far] = [through(rule, x), through(rule, x + sign * more)]
        expect(near).toBeGreaterThanOrEqual(rule.fromPct - 1e-9)
        expect(far).toBeLessThanOrEqual(rule.toPct + 1e-9)
        expect(far).toBeGreaterThanOrEqual(near - 1e-9)
      },
    ),
    { seed: 5 },
  )
})

test('a lost reading asks for nothing, and no NaN reaches the fan', () => expect(through(ramp(), NaN, 20)).toBe(20))
