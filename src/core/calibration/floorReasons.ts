import { type FlowMapOutcome, speedPctFor } from '@/core/calibration/flowMap'
import type { FanCalibration } from '@/core/calibration/schema'
import type { FloorReason } from '@/core/response/schema'
import { formatPct, formatQuantity } from '@/core/quantity/format'

export type FloorEvidence = {
  readonly calibration: FanCalibration | undefined
  readonly flow: FlowMapOutcome | null
  readonly coolingFloorPct: number | null
  readonly requiredFlowLs: number | null
  /** Reasons that follow from the brief. */
  readonly fromBrief?: readonly FloorReason[]
}

const trials = (count: number, what: string): string => (count === 1 ? `one ${what}` : `highest of ${count} ${what}s`)

/** Every reason the floor has, each with its own speed, highest first: the first one rules. */
export function floorReasons({
  calibration,
  flow,
  coolingFloorPct,
  requiredFlowLs,
  fromBrief = [],
}: FloorEvidence): FloorReason[] {
  const reasons: FloorReason[] = [...fromBrief]
  if (calibration && calibration.startsPct.length > 0) {
    const startPct = Math.max(...calibration.startsPct)
    const { restartMarginPct } = calibration
    reasons.push({ kind: 'turns', speedPct: startPct, note: trials(calibration.startsPct.length, 'start') })
    reasons.push({
      kind: 'restarts',
      speedPct: Math.min(100, startPct + restartMarginPct),
      note: `start + ${formatPct(restartMarginPct)}`,
    })
  }
  if (calibration && calibration.stallsPct.length > 0) {
    const { restartMarginPct, stallsPct } = calibration
    reasons.push({
      kind: 'stall',
      speedPct: Math.min(100, Math.max(...stallsPct) + restartMarginPct),
      note: `${trials(stallsPct.length, 'stall')} + ${formatPct(restartMarginPct)}`,
    })
  }
  const openFromPct = calibration?.shutters?.openFromPct ?? null
  if (openFromPct !== null) reasons.push({ kind: 'shutters', speedPct: openFromPct, note: 'below it they flap' })
  if (coolingFloorPct !== null)
    reasons.push({ kind: 'motor-cooling', speedPct: coolingFloorPct, note: 'from its plate' })
  if (requiredFlowLs !== null && flow?.kind === 'map') {
    const neededPct = speedPctFor(flow.map, requiredFlowLs)
    // A flow it cannot reach at all still rules, at full speed, and the note says that it falls short.
    reasons.push({
      kind: 'required-flow',
      speedPct: neededPct === null ? 100 : Math.ceil(neededPct - 1e-6),
      note:
        neededPct === null
          ? `${formatQuantity(requiredFlowLs, 'flow')} is more than it gives`
          : formatQuantity(requiredFlowLs, 'flow'),
    })
  }
  return reasons.sort((a, b) => b.speedPct - a.speedPct)
}

export const FLOOR_REASON_NAMES: Record<FloorReason['kind'], string> = {
  turns: 'Turns at all',
  restarts: 'Restarts by itself',
  stall: 'Stalls coming down',
  'motor-cooling': 'Motor cooling',
  bearings: 'Bearings',
  shutters: 'Shutters stay open',
  'required-flow': 'Required flow',
  equipment: 'Equipment needs it',
  chosen: 'Chosen',
}
