import type { Machine } from '@/core/machine/compile'
import { phi1 } from '@/core/space/linear'
import type { Scenario, ScenarioEvent } from '@/core/scenario/schema'
import { fanTable, tableAt, type FanTable } from '@/core/space/fanTables'
import { addFlow, fullOverLs, putOverShare } from '@/core/space/flows'
import { DRIVE, FLOWS } from '@/core/space/model'
import type { Space, SpaceFan, Way } from '@/core/space/schema'
import type { Where } from '@/core/space/starting'

type FanEvent = Extract<ScenarioEvent, { kind: 'fan' }>
type Mover = {
  readonly way: Way
  readonly table: FanTable
  /** What is left of a difference after a step, and on the mean of it. */
  readonly keeps: number
  readonly meanKeeps: number
  readonly events: readonly FanEvent[]
}

/** The fans of a machine as they move the air of a space. */
export type Movers = {
  newState(): Float64Array
  /** Follows the speeds given for a step and writes what is moved; returns how fast the first runs, as a share. */
  move(state: Float64Array, fansPct: Float64Array, drives: Float64Array, atS: number, flows: Float64Array): number
  /** Power (W) and sound (dB(A)) at the speeds last moved. */
  powerW(state: Float64Array): number
  soundDb(state: Float64Array): number
}

/** What a fan still gives: all of it, less while something is wrong with it. */
function left(events: readonly FanEvent[], atS: number): number {
  let share = 1
  for (const { atS: from, lengthS, toPct, gradual } of events) {
    if (atS < from || (atS >= from + lengthS && !gradual)) continue
    const into = gradual ? Math.min(1, (atS - from) / lengthS) : 1
    share *= 1 - into * (1 - toPct / 100)
  }
  return share
}

function makeMover(fan: SpaceFan, table: FanTable, { events }: Scenario, stepS: number): Mover {
  const z = fan.runUpS > 0 ? -stepS / fan.runUpS : -Infinity
  return {
    way: fan.way,
    table,
    keeps: fan.runUpS > 0 ? Math.exp(z) : 0,
    meanKeeps: fan.runUpS > 0 ? phi1(z) : 0,
    events: events.filter((event): event is FanEvent => event.kind === 'fan' && event.fan === fan.fan),
  }
}

/** What a fan is that the space does not name. */
const STANDING = { way: 'over', fullLs: 1e-9, runUpS: 0 } as const

/** The tables of the fans of an installation, each made once. */
export type FanTables = (fan: SpaceFan) => FanTable
export function fanTables(where: Pick<Where, 'kit' | 'calibration'>): FanTables {
  const made = new Map<string, FanTable>()
  return (fan) => {
    const known = made.get(fan.fan)
    if (known) return known
    const table = fanTable(fan, where)
    made.set(fan.fan, table)
    return table
  }
}

/** The fans of a machine in its order, lead first; one that the space does not name moves nothing. */
export function makeMovers(
  machine: Machine,
  space: Space,
  tables: FanTables,
  scenario: Scenario,
  stepS: number,
): Movers {
  const fans = machine.fanIds.map((id) => {
    const fan = space.fans.find((candidate) => candidate.fan === id) ?? { fan: id, ...STANDING }
    return makeMover(fan, tables(fan), scenario, stepS)
  })
  const overFullLs = fullOverLs(fans)
  const count = fans.length
  return {
    newState: () => new Float64Array(count * 2),
    move(state, fansPct, drives, atS, flows) {
      for (let place = 0; place < FLOWS.length; place++) flows[place] = 0
      const supply = Math.min(1, drives[DRIVE.supplyPct]! / 100)
      for (let index = 0; index < count; index++) {
        const fan = fans[index]!
        const { keeps, meanKeeps, events } = fan
        const towards = fansPct[index]! * supply
        const before = state[index]!
        const mean = towards + (before - towards) * meanKeeps
        state[index] = towards + (before - towards) * keeps
        state[count + index] = mean
        addFlow(flows, fan, mean, events.length > 0 ? left(events, atS) : 1)
      }
      putOverShare(flows, overFullLs)
      return state[count]! / 100
    },
    powerW(state) {
      let sum = 0
      for (let index = 0; index < count; index++) sum += tableAt(fans[index]!.table.powerW, state[count + index]!)
      return sum
    },
    soundDb(state) {
      let energy = 0
      for (let index = 0; index < count; index++) energy += tableAt(fans[index]!.table.sound, state[count + index]!)
      return energy > 1 ? 10 * Math.log10(energy) : 0
    },
  }
}
