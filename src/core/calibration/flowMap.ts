import type { FanCalibration, MapReading } from '@/core/calibration/schema'
import { isotonic, pchip, pooled } from '@/core/physics/monotone'

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

export type FlowMap = {
  /** Flow (L/s) of a fan that runs at a speed: 0 below where it stalls (below its start where no stall was read). Beyond the readings it goes on
   *  by the fan law through the nearest one. */
  readonly flowAt: (speedPct: number) => number
  /** Lowest speed (percent) from its start up that gives this flow; null when even 100 % does not. */
  readonly speedFor: (flowLs: number) => number | null
  readonly points: readonly FlowPoint[]
  readonly measuredFromPct: number
  readonly measuredToPct: number
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
  const between = pchip(used)
  const flowAt = (speedPct: number): number => {
    if (!(speedPct > 0) || speedPct < runsFromPct) return 0
    if (speedPct < lowest.x) return (lowest.y * speedPct) / lowest.x
    return speedPct > highest.x ? (highest.y * speedPct) / highest.x : between(speedPct)
  }
  const speedFor = (flowLs: number): number | null => {
    if (flowAt(100) < flowLs) return null
    let [low, high] = [startPct, 100]
    if (flowAt(low) >= flowLs) return low
    while (high - low > 1e-6) {
      const middle = (low + high) / 2
      if (flowAt(middle) >= flowLs) high = middle
      else low = middle
    }
    return high
  }
  const lawAt = (speedPct: number) => (highest.y * speedPct) / highest.x
  const points = read.map(({ reading, flowLs }) => {
    const lawLs = lawAt(reading.settingPct)
    return { reading, flowLs, lawLs, offShare: lawLs > 0 ? flowLs / lawLs - 1 : 0, setAside: reading.setAside }
  })
  return {
    kind: 'map',
    map: { flowAt, speedFor, points, measuredFromPct: lowest.x, measuredToPct: highest.x },
  }
}
