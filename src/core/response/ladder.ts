import { compile } from '@/core/response/compile'
import { branchesAgainst, type CurvePoint } from '@/core/response/curve'
import type { MeasuredInput, Response } from '@/core/response/schema'

/** The demand itself as an input, in percent of the whole ladder. */
export const DEMAND: MeasuredInput = { id: 'demand', kind: 'temperature', name: 'demand', from: 0, to: 100 }

export type Rung = {
  readonly demandPct: number
  readonly variablePct: number
  readonly fixedRunning: number
  /** The variable fan’s share of one fan, and each fixed fan as one: 1.00 → 1.65 at the first join with a 65 % floor. */
  readonly fanEquivalents: number
}

const rung = ({ x, fansPct }: CurvePoint): Rung => {
  const [variablePct = 0, ...others] = fansPct
  const fixedRunning = others.filter((pct) => pct > 0).length
  return { demandPct: x, variablePct, fixedRunning, fanEquivalents: variablePct / 100 + fixedRunning }
}

/** The staging ladder from demand 0 to 100 % and back, by the machine itself; null where there are no stages.
 *  Source of the check: trade.md section 2 (livestock), 1.00 → 1.65. */
export function ladder(response: Response): { readonly up: readonly Rung[]; readonly down: readonly Rung[] } | null {
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
  if (!compiled.ok) return null
  const { up, down } = branchesAgainst(compiled.value, DEMAND, {})
  return { up: up.map(rung), down: down.map(rung) }
}

/** Power of the ladder (W): each fixed fan its rating, the variable one by the fan law (power as the cube of speed); null where a rating is
 *  not known. Source: fan laws, ASHRAE Handbook, from memory; a phase-cut motor takes more at part speed. */
export const ladderPowerW = (
  { variablePct, fixedRunning }: Rung,
  variableW: number | null,
  fixedW: readonly (number | null)[],
): number | null => {
  const running = fixedW.slice(0, fixedRunning)
  return variableW === null || running.some((watts) => watts === null)
    ? null
    : variableW * (variablePct / 100) ** 3 + running.reduce<number>((sum, watts) => sum + (watts ?? 0), 0)
}

/** What a join does to the air: the variable fan at full, then back at its floor with one more fixed fan.
 *  @param index of the join, from 0 */
export const joinStep = (
  { floor }: Pick<Response, 'floor'>,
  index: number,
): { readonly before: number; readonly after: number } => ({
  before: index + 1,
  after: index + 1 + floor.speedPct / 100,
})
