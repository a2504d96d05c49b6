import { branchesAgainst, type CurvePoint } from '@/core/look/curve'
import { compile, type Machine } from '@/core/machine/compile'
import type { Response } from '@/core/response/schema'
import type { MeasuredInput } from '@/core/rules/input'

/** The demand itself as an input, in percent of the whole ladder. */
const DEMAND: MeasuredInput = { id: 'demand', kind: 'temperature', name: 'demand', from: 0, to: 100 }

export type Rung = {
  /** Demand in percent of the whole ladder, or the input it is drawn against. */
  readonly x: number
  readonly variablePct: number
  readonly fixedRunning: number
  /** The variable fan’s share of one fan, and each fixed fan as one: 1.00 → 1.65 at the first join with a 65 % floor. */
  readonly fanEquivalents: number
}

const rung = ({ x, fansPct }: CurvePoint): Rung => {
  const [variablePct = 0, ...others] = fansPct
  const fixedRunning = others.filter((pct) => pct > 0).length
  return { x, variablePct, fixedRunning, fanEquivalents: variablePct / 100 + fixedRunning }
}

export type Ladder = { readonly up: readonly Rung[]; readonly down: readonly Rung[] }

/** The ladder while an input rises over its range and falls again; `x` of each rung is the input. */
export function rungsAgainst(machine: Machine, input: MeasuredInput, rest: Readonly<Record<string, number>>): Ladder {
  const { up, down } = branchesAgainst(machine, input, rest)
  return { up: up.map(rung), down: down.map(rung) }
}

/** The staging ladder from demand 0 to 100 % and back, by the machine itself; null where there are no stages.
 *  Common practice, no source: 1.00 → 1.65. */
export function ladder(response: Response): Ladder | null {
  if (!response.stages) return null
  const alone: Response = {
    schema: response.schema,
    lead: response.lead,
    inputs: [DEMAND],
    floor: response.floor,
    ceiling: response.ceiling,
    rules: [
      { id: 'demand', kind: 'ramp', input: DEMAND.id, startAt: 0, fullAt: 100, fromPct: 0, toPct: 100, below: 'from' },
    ],
    startKick: null,
    followers: [],
    steps: { stepPct: 0, rounding: 'nearest' },
    stages: response.stages,
  }
  const compiled = compile(alone)
  return compiled.ok ? rungsAgainst(compiled.value, DEMAND, {}) : null
}

/** A sum over the ladder: what the variable fan gives at its speed and each running fixed fan; null where one of them is not known. */
export function overLadder(
  { variablePct, fixedRunning }: Rung,
  variableAt: (speedPct: number) => number | null,
  fixed: readonly (number | null)[],
): number | null {
  const parts = [variableAt(variablePct), ...fixed.slice(0, fixedRunning)]
  return parts.reduce<number | null>((sum, part) => (sum === null || part === null ? null : sum + part), 0)
}

/** Power of a fan (W) at a part of its speed by the fan law: as the cube; null where its rating is not known.
 *  Source: fan laws, ASHRAE Handbook, from memory; a phase-cut motor takes more at part speed. */
export const lawPowerW =
  (ratedW: number | null) =>
  (speedPct: number): number | null =>
    ratedW === null ? null : ratedW * (speedPct / 100) ** 3

/** What a join does to the air: the variable fan at full, then back at its floor with one more fixed fan.
 *  @param index of the join, from 0 */
export const joinStep = (
  { floor }: Pick<Response, 'floor'>,
  index: number,
): { readonly before: number; readonly after: number } => ({
  before: index + 1,
  after: index + 1 + floor.speedPct / 100,
})
