import { tableAt, type FanTable } from '@/core/space/fanTables'
import { FLOW } from '@/core/space/model'
import type { Way } from '@/core/space/schema'

type Moving = { readonly way: Way; readonly table: FanTable }

const PLACES: Record<Way, number> = { out: FLOW.outLs, in: FLOW.inLs, over: FLOW.overLs, flue: FLOW.flueShare }

/** Adds what a fan moves at a speed (percent), or a share of it, to a row of flows. */
export function addFlow(flows: Float64Array, { way, table }: Moving, speedPct: number, share = 1): void {
  flows[PLACES[way]]! += (way === 'flue' ? speedPct / 100 : tableAt(table.flowLs, speedPct)) * share
}

/** All that fans move over something at full, L/s: what makes a share of it. */
export const fullOverLs = (fans: readonly Moving[]): number =>
  fans.reduce((sum, { way, table }) => sum + (way === 'over' ? tableAt(table.flowLs, 100) : 0), 0)

/** Puts the share of full beside what is moved over something. */
export function putOverShare(flows: Float64Array, fullLs: number): void {
  flows[FLOW.overShare] = fullLs > 0 ? flows[FLOW.overLs]! / fullLs : 0
}
