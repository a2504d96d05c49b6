import type { Calibration } from '@/core/calibration/schema'
import { flowLsAt, flowMap } from '@/core/calibration/flowMap'
import { clamp } from '@/core/json/clamp'
import { countOf, type Fan, type Kit } from '@/core/kit/schema'
import { soundChangeDb } from '@/core/physics/fanLaw'
import type { SpaceFan } from '@/core/space/schema'

/** Places of a table: every half percent from 0 to 100. */
const PLACES = 201

/** What a fan gives and takes at each half percent: flow (L/s), sound (as energy over that of 0 dB(A); 0 where none was read), power (W). */
export type FanTable = {
  readonly flowLs: Float64Array
  readonly sound: Float64Array
  readonly powerW: Float64Array
  /** Where the power comes from: readings where two or more have it; else an electronic motor by the cube of its speed, one that slips by the square. */
  readonly powerBy: 'measured' | 'cube' | 'square' | 'unknown'
}

/** The value of a table at a speed (percent), straight between its places. */
export function tableAt(table: Float64Array, speedPct: number): number {
  const at = clamp(speedPct, 0, 100) * 2
  const place = Math.floor(at)
  const low = table[place]!
  return place === PLACES - 1 || at === place ? low : low + (table[place + 1]! - low) * (at - place)
}

/** What an electronic motor takes beside the cube of its speed, as a share of its plate. Common practice, no source. */
const IDLE_SHARE = 0.06

function powerShare(motor: Fan['motor'], share: number): number {
  if (share <= 0) return 0
  // Under phase cut the power lost to slip goes down with the speed only once less than the work of the fan does.
  return motor === 'electronic' || motor === 'dc' || motor === 'three-phase'
    ? IDLE_SHARE + (1 - IDLE_SHARE) * share ** 3
    : share ** 2
}

/** Power at a speed from what was read: straight between readings, down to nothing at rest, by the law of the motor above the last. */
function measuredPower(
  read: readonly { readonly pct: number; readonly watts: number }[],
  motor: Fan['motor'],
): ((pct: number) => number) | null {
  const points = [{ pct: 0, watts: 0 }, ...read.filter(({ pct }) => pct > 0)].sort((a, b) => a.pct - b.pct)
  const last = points.at(-1)!
  if (points.length < 3) return null
  return (pct) => {
    if (pct >= last.pct) return (last.watts * powerShare(motor, pct / 100)) / powerShare(motor, last.pct / 100)
    const above = points.findIndex((point) => point.pct > pct)
    const [a, b] = [points[above - 1]!, points[above]!]
    return b.pct > a.pct ? a.watts + ((b.watts - a.watts) * (pct - a.pct)) / (b.pct - a.pct) : b.watts
  }
}

/** Energy of sound at a speed from what was read: straight over the logarithm of the speed between readings, by the fan law beyond them. */
function soundTable(read: readonly { readonly pct: number; readonly db: number }[]): Float64Array {
  const points = [...read].filter(({ pct }) => pct > 0).sort((a, b) => a.pct - b.pct)
  const [first, last] = [points[0], points.at(-1)]
  if (!first || !last) return new Float64Array(PLACES)
  const dbAt = (pct: number): number => {
    if (pct <= first.pct) return first.db + soundChangeDb(pct / first.pct)
    if (pct >= last.pct) return last.db + soundChangeDb(pct / last.pct)
    const above = points.findIndex((point) => point.pct >= pct)
    const [a, b] = [points[above - 1]!, points[above]!]
    return a.db + ((b.db - a.db) * Math.log(pct / a.pct)) / Math.log(b.pct / a.pct)
  }
  return Float64Array.from({ length: PLACES }, (_, place) => (place === 0 ? 0 : 10 ** (dbAt(place / 2) / 10)))
}

function powerBy(fan: Fan | undefined, isMeasured: boolean): FanTable['powerBy'] {
  if (isMeasured) return 'measured'
  if (!fan || fan.ratedPowerW === null) return 'unknown'
  return powerShare(fan.motor, 0.5) === 0.25 ? 'square' : 'cube'
}

/** The tables of a fan: by its calibration where there is a map, else in proportion to its speed from where it starts. */
export function fanTable(
  { fan: id, fullLs }: SpaceFan,
  { kit, calibration }: { readonly kit: Pick<Kit, 'fans'>; readonly calibration: Calibration },
): FanTable {
  const fan = kit.fans.find((candidate) => candidate.id === id)
  const read = calibration.fans.find((candidate) => candidate.fan === id)
  const outcome = read ? flowMap(read) : null
  const startPct = Math.max(0, ...(read?.startsPct ?? []))
  const flowAt = (pct: number): number =>
    outcome?.kind === 'map' ? flowLsAt(outcome.map, pct) : pct > 0 && pct >= startPct ? (fullLs * pct) / 100 : 0
  const sounds = (read?.map ?? []).flatMap(({ settingPct, soundDb, setAside }) =>
    soundDb !== null && !setAside ? [{ pct: settingPct, db: soundDb }] : [],
  )
  const ratedW = fan?.ratedPowerW ?? null
  const watts = (read?.map ?? []).flatMap(({ settingPct, powerW, setAside }) =>
    powerW != null && !setAside ? [{ pct: settingPct, watts: powerW }] : [],
  )
  const measured = measuredPower(watts, fan?.motor ?? 'electronic')
  const byPlate = (pct: number): number =>
    fan && ratedW !== null ? ratedW * countOf(fan) * powerShare(fan.motor, pct / 100) : 0
  const at = (value: (pct: number) => number) => Float64Array.from({ length: PLACES }, (_, place) => value(place / 2))
  return {
    flowLs: at(flowAt),
    sound: soundTable(sounds),
    powerW: at(measured ?? byPlate),
    powerBy: powerBy(fan, measured !== null),
  }
}
