import { seededRandom } from '@/core/json/seededRandom'
import type { Line } from '@/core/scenario/schema'
import { daily } from '@/core/scenario/usualDay'

export type Weather = {
  /** Coldest and warmest of the day, °C. */
  readonly lowC: number
  readonly highC: number
  /** Most humid (at dawn) and driest (in the afternoon), %RH. */
  readonly dampRhPct: number
  readonly dryRhPct: number
  readonly sunWM2: number
  readonly windMs: number
  readonly rain?: number
  /** What the hottest or coldest of the days adds, K: days climb to it and fall again. */
  readonly peakK?: number
  /** Month of its first day. */
  readonly month: number
}

/** Days that climb to a peak past their middle and fall again. */
const climb = (days: number, peakK: number): number[] =>
  Array.from({ length: days }, (_, day) => {
    const at = days === 1 ? 1 : day / (days - 1)
    return peakK * Math.sin(Math.PI * Math.min(1, 0.15 + 0.75 * at))
  })

/** Days of a season: they go over the peak in so many spells, with a seed. */
const spells = (days: number, peakK: number): number[] => {
  const random = seededRandom(days)
  let [now, towards] = [0, 0]
  return Array.from({ length: days }, (_, day) => {
    if (day % 6 === 0) towards = peakK * (2 * random() - 0.6)
    now += (towards - now) / 3
    return Math.round(now * 100) / 100
  })
}

/** Weather as lines: a day that is coldest at five and warmest at three, the same over again, moved by a shift a day. */
export function weatherLines(weather: Weather, days: number): Line[] {
  const { lowC, highC, dampRhPct, dryRhPct, sunWM2, windMs, rain = 0, peakK = 2 } = weather
  const mid = (lowC + highC) / 2
  const up = (share: number) => Math.round((sunWM2 * share + Number.EPSILON) * 10) / 10
  return [
    daily(
      'outdoorC',
      'straight',
      [
        [0, mid - (mid - lowC) * 0.6],
        [5, lowC],
        [9, mid],
        [13, highC - (highC - mid) * 0.15],
        [15, highC],
        [18, mid + (highC - mid) * 0.45],
        [21, mid - (mid - lowC) * 0.1],
      ],
      {
        dayShift: days > 14 ? spells(days, peakK) : climb(days, peakK),
        wander: { by: 0.4, overS: 5400 },
      },
    ),
    daily(
      'outdoorRhPct',
      'straight',
      [
        [5, dampRhPct],
        [15, dryRhPct],
        [21, (dampRhPct + dryRhPct) / 2],
      ],
      {
        wander: { by: 3, overS: 7200 },
      },
    ),
    daily('sunWM2', 'straight', [
      [6, 0],
      [8, up(0.35)],
      [10, up(0.8)],
      [12, up(1)],
      [14, up(0.9)],
      [16, up(0.5)],
      [18.5, 0],
    ]),
    daily(
      'windMs',
      'straight',
      [
        [4, windMs * 0.6],
        [14, windMs * 1.4],
      ],
      { wander: { by: windMs * 0.3, overS: 1800 } },
    ),
    ...(rain > 0
      ? [
          daily('rain', 'steps', [
            [0, 0],
            [2, rain],
            [7, 0],
            [16, rain],
            [22, 0],
          ]),
        ]
      : []),
  ]
}
