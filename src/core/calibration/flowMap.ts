import type { FanCalibration, MapReading } from '@/core/calibration/schema'
import { curveAt, isotonic, pchip, pooled, type Curve } from '@/core/physics/monotone'

/** Flow of one reading (L/s): read directly, or velocity × area × 1000; null when neither can be had. */
export function readingFlowLs({ flowLs, velocityMs }: MapReading, areaM2: number | null): number | null {
  if (flowLs !== null) return flowLs
  return velocityMs !== null && areaM2 !== null ? velocityMs * areaM2 * 1000 : null
}

/** A reading with the flow it stands for (L/s). */
export type Sized = { readonly reading: MapReading; readonly flowLs: number }

/** The readings that have a flow. */
export const sizedReadings = ({ map, areaM2 }: Pick<FanCalibration, 'map' | 'areaM2'>): Sized[] =>
  map.flatMap((reading) => {
    const flowLs = readingFlowLs(reading, areaM2)
    return flowLs === null ? [] : [{ reading, flowLs }]
  })

type FlowPoint = {
  readonly reading: MapReading
  readonly flowLs: number
  readonly lawLs: number
  readonly offShare: number
  readonly setAside: boolean
}

/** Speed to flow as data; `flowLsAt` and `speedPctFor` read it. */
export type FlowMap = {
  readonly points: readonly FlowPoint[]
  /** Speed (percent) to flow (L/s), monotone, through the readings that count. */
  readonly curve: Curve
  /** Where it starts, and the speed below which it gives nothing, percent. */
  readonly startPct: number
  readonly runsFromPct: number
  readonly measuredFromPct: number
  readonly measuredToPct: number
}

/** Flow (L/s) of a fan that runs at a speed: 0 below where it stalls (below its start where no stall was read). Beyond the readings it goes on
 *  by the fan law through the nearest one. */
export function flowLsAt({ curve, runsFromPct }: FlowMap, speedPct: number): number {
  if (!(speedPct > 0) || speedPct < runsFromPct) return 0
  const [lowest, highest] = [curve.points[0]!, curve.points.at(-1)!]
  if (speedPct < lowest.x) return (lowest.y * speedPct) / lowest.x
  return speedPct > highest.x ? (highest.y * speedPct) / highest.x : curveAt(curve, speedPct)
}

/** Lowest speed (percent) from its start up that gives this flow (L/s); null when even 100 % does not. */
export function speedPctFor(map: FlowMap, flowLs: number): number | null {
  if (flowLsAt(map, 100) < flowLs) return null
  let [low, high] = [map.startPct, 100]
  if (flowLsAt(map, low) >= flowLs) return low
  while (high - low > 1e-6) {
    const middle = (low + high) / 2
    if (flowLsAt(map, middle) >= flowLs) high = middle
    else low = middle
  }
  return high
}

export type FlowMapOutcome =
  | { readonly kind: 'map'; readonly map: FlowMap }
  | { readonly kind: 'too-few'; readonly needed: number; readonly got: number }

const NEEDED = 3

/** Speed to flow from at least three readings at different settings, monotone. Set-aside readings are kept but not used. */
export function flowMap(calibration: FanCalibration): FlowMapOutcome {
  const startPct = calibration.startsPct.length > 0 ? Math.max(...calibration.startsPct) : 0
  // Below its start a fan that already turns goes on turning, down to where it stalls.
  const runsFromPct = calibration.stallsPct.length > 0 ? Math.max(...calibration.stallsPct) : startPct
  const read = sizedReadings(calibration)
  const usedRaw = pooled(
    read
      .filter(({ reading }) => !reading.setAside)
      .map(({ reading, flowLs }) => ({ x: reading.settingPct, y: flowLs })),
  )
  const levels = isotonic(usedRaw.map(({ y }) => y))
  const used = usedRaw.map(({ x }, index) => ({ x, y: levels[index]! }))
  const [lowest, highest] = [used[0], used[used.length - 1]]
  if (used.length < NEEDED || !lowest || !highest) return { kind: 'too-few', needed: NEEDED, got: used.length }
  const lawAt = (speedPct: number) => (highest.y * speedPct) / highest.x
  const points = read.map(({ reading, flowLs }) => {
    const lawLs = lawAt(reading.settingPct)
    return { reading, flowLs, lawLs, offShare: lawLs > 0 ? flowLs / lawLs - 1 : 0, setAside: reading.setAside }
  })
  return {
    kind: 'map',
    map: {
      points,
      curve: pchip(used),
      startPct,
      runsFromPct,
      measuredFromPct: lowest.x,
      measuredToPct: highest.x,
    },
  }
}
