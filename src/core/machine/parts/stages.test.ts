import { explain } from '@/core/machine/explain'
import type { Response, Stages } from '@/core/response/schema'
import { reasonText } from '@/core/sentences/words'
import { fansOver, machineFor, plainRamp, responseTo } from '@/testing/examples'
import { referencePoints } from '@/testing/reference'

/** `count` fans of one size, the first variable; the demand is what the temperature reads. */
function ladder(
  count: number,
  minPct: number,
  stages: Partial<Stages> = {},
  changes: Partial<Response> = {},
): Response {
  return responseTo([plainRamp()], {
    floor: { speedPct: minPct, reasons: [], offAllowed: true },
    stages: {
      fixed: Array.from({ length: count - 1 }, (_, index) => ({
        fan: `fixed-${index + 1}`,
        joinsAtPct: (100 * (index + 1)) / count,
      })),
      offBelowPct: 0,
      minStageS: 0,
      ...stages,
    },
    ...changes,
  })
}

const fixedOn = (fans: readonly number[]): number => fans.slice(1).filter((pct) => pct === 100).length
const over = (response: Response, demands: readonly number[], dtS = 1) =>
  fansOver(
    response,
    demands.map((temp) => ({ temp })),
    dtS,
  ).map((fans) => [fixedOn(fans), fans[0]!] as const)

test.each(
  referencePoints('ctl.staged').map(({ in: i, out }) => ({
    demand: i.demand_pct as number,
    count: i.N as number,
    min: i.min_pct as number,
    fixed: out.fixed_on as number,
    variable: out.variable_pct as number,
  })),
)(
  '$count fans from $min %, demand $demand % → $fixed + $variable % (ctl.staged)',
  ({ demand, count, min, ...expected }) => {
    // A floor of 0 that may be off asks for nothing at a demand of 0.
    const [[fixed, variable] = [NaN, NaN]] = over(ladder(count, min), [demand])
    expect(fixed).toBe(expected.fixed)
    expect(variable).toBeCloseTo(expected.variable, 6)
  },
)

test.each(
  referencePoints('ctl.stagedHysteresis').map(({ in: i, out }) => ({
    count: i.N as number,
    min: i.min_pct as number,
    offBelow: i.h as number,
    demands: i.demand_pct as number[],
    expected: out.fixed_on_and_variable as [number, number][],
  })),
)('$count fans, off $offBelow below (ctl.stagedHysteresis)', ({ count, min, offBelow, demands, expected }) =>
  over(ladder(count, min, { offBelowPct: offBelow }), demands).forEach(([fixed, variable], index) => {
    expect(fixed).toBe(expected[index]![0])
    expect(variable).toBeCloseTo(expected[index]![1], 6)
  }),
)

// Common practice, no source: a floor of 65 % makes the join a step from 1.00 to 1.65 fans.
test('the step at a join is 1.00 → 1.65 fans with a floor of 65 %', () => {
  const totals = over(ladder(4, 65), [24.999999, 25]).map(([fixed, variable]) => fixed + variable / 100)
  expect(totals[0]).toBeCloseTo(1, 6)
  expect(totals[1]).toBeCloseTo(1.65, 9)
})

test('with a least time between changes they come and go one by one, the variable fan full or at its floor meanwhile', () =>
  expect(over(ladder(4, 25, { minStageS: 3 }), [0, 100, 100, 100, 100, 100, 100, 100, 10, 10, 10])).toEqual([
    [0, 0],
    [1, 100],
    [1, 100],
    [1, 100],
    [2, 100],
    [2, 100],
    [2, 100],
    [3, 100],
    [3, 25],
    [3, 25],
    [2, 25],
  ]))

test('isolated, every fan stands at once, whatever the least time', () =>
  expect(
    fansOver(ladder(3, 25, { minStageS: 600 }, { overrides: { isolated: 'contact' } }), [
      { temp: 100 },
      { temp: 100, contact: 1 },
    ])[1],
  ).toEqual([0, 0, 0]))

test('a lost probe with full as its fallback brings every fan', () => {
  const response = ladder(3, 25)
  const [temp, ...others] = response.inputs
  expect(
    fansOver({ ...response, inputs: [{ ...temp!, lostPct: 100 } as typeof temp & object, ...others] }, [{}]),
  ).toEqual([[100, 100, 100]])
})

test('the reason says what the demand makes of the ladder', () => {
  const machine = machineFor(ladder(4, 65))
  const inputs = machine.inputsFrom({ temp: 50 })
  expect(reasonText(machine.response, explain(machine, machine.settledState(inputs), inputs))).toBe(
    'Temp is 50.0 K up a 100.0 K ramp, so it asks for 50 %. Nothing else is asking. Of the whole ladder that is 50 %: 2 fixed fans and the variable one at 65 %.',
  )
})
