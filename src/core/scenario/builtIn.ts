import type { Duty } from '@/core/brief/duty'
import { SCENARIO_SCHEMA, type Line, type Scenario, type ScenarioEvent } from '@/core/scenario/schema'
import { daily, USUAL_DAYS } from '@/core/scenario/usualDay'
import { weatherLines, type Weather } from '@/core/scenario/weather'

const HOUR_S = 3600
const DAY_S = 86400

/** What an installation has that events name. */
export type ScenarioContext = {
  readonly duty: Duty
  /** The input whose lead comes off, and the fan whose filter loads; null where there is none. */
  readonly probe: string | null
  readonly fan: string
}

type Made = {
  readonly lines?: readonly Line[]
  readonly events?: readonly ScenarioEvent[]
  readonly traffic?: Scenario['traffic']
}
type BuiltIn = {
  readonly id: string
  readonly name: string
  readonly tries: string
  /** All duties where none is named. */
  readonly duties?: readonly Duty[]
  readonly weather: Weather
  readonly make?: (context: ScenarioContext, days: number) => Made
}

const MILD: Weather = { lowC: 9, highC: 18, dampRhPct: 88, dryRhPct: 58, sunWM2: 420, windMs: 3, month: 5 }
const HOT: Weather = { lowC: 17, highC: 30, dampRhPct: 80, dryRhPct: 38, sunWM2: 820, windMs: 2, peakK: 2, month: 7 }
const COLD: Weather = { lowC: -8, highC: 0, dampRhPct: 90, dryRhPct: 70, sunWM2: 180, windMs: 3, peakK: -5, month: 1 }

/** When the hardest hour of the hardest day is: the afternoon past the middle. */
const worstS = (days: number, hour = 14.75): number =>
  Math.min(days - 1, Math.round(days * 0.55)) * DAY_S + hour * HOUR_S

/** The same on each day, by the hour. */
const eachDay = (days: number, make: (day: number) => ScenarioEvent): ScenarioEvent[] =>
  Array.from({ length: Math.min(days, 14) }, (_, day) => make(day))

/** Days to rehearse, named for what they try. Weather and loads are common practice without a source. */
const BUILT_IN: readonly BuiltIn[] = [
  { id: 'mild', name: 'mild', tries: 'an ordinary day: whether anything happens that should not', weather: MILD },
  { id: 'hot-spell', name: 'hot spell', tries: 'whether it holds when it is warm outside day and night', weather: HOT },
  { id: 'cold-snap', name: 'cold snap', tries: 'the floor, the frost and how little air is enough', weather: COLD },
  {
    id: 'muggy-evening',
    name: 'muggy evening',
    tries: 'nuisance boosts when the air outside is damp itself',
    weather: { ...HOT, highC: 25, dampRhPct: 98, dryRhPct: 72, sunWM2: 300, month: 8 },
  },
  {
    id: 'dry-frost',
    name: 'dry frost',
    tries: 'a clear night: frost in the heat recovery, a coil in the cold',
    weather: { ...COLD, lowC: -14, highC: -3, dampRhPct: 70, dryRhPct: 45, sunWM2: 380, windMs: 1 },
  },
  {
    id: 'storm',
    name: 'storm',
    tries: 'wind on the leaks and rain on the coil, and a supply that dips',
    weather: { ...MILD, lowC: 7, highC: 12, sunWM2: 80, windMs: 14, rain: 1, month: 11 },
    make: (_, days) => ({
      events: [{ kind: 'brown-out', name: 'supply dips', atS: worstS(days, 17), lengthS: 20 * 60, supplyPct: 75 }],
    }),
  },
  {
    id: 'shower-rush',
    name: 'shower rush',
    tries: 'whether the wet air is gone before the next ones come',
    duties: ['extract'],
    weather: MILD,
    make: (_, days) => ({
      events: eachDay(days, (day) => ({
        kind: 'drive',
        name: 'everyone showers',
        drive: 'waterGH',
        value: 4200,
        atS: day * DAY_S + 19 * HOUR_S,
        lengthS: 50 * 60,
      })),
    }),
  },
  {
    id: 'cooking',
    name: 'cooking',
    tries: 'a kitchen evening without anyone touching a button',
    duties: ['balanced', 'extract'],
    weather: MILD,
    make: (_, days) => ({
      events: eachDay(days, (day) => ({
        kind: 'drive',
        name: 'cooking',
        drive: 'waterGH',
        value: 2200,
        atS: day * DAY_S + 12 * HOUR_S,
        lengthS: 45 * 60,
      })),
    }),
  },
  {
    id: 'harvest',
    name: 'harvest',
    tries: 'an open door and people in a room that is held damp',
    duties: ['grow-room'],
    weather: { ...MILD, highC: 22, peakK: 3 },
    make: (_, days) => ({
      events: eachDay(days, (day) => ({
        kind: 'drive',
        name: 'door open',
        drive: 'doorOpen',
        value: 1,
        atS: day * DAY_S + 11.5 * HOUR_S,
        lengthS: 14 * 60,
      })),
    }),
  },
  {
    id: 'lambing',
    name: 'lambing',
    tries: 'a cold night with doors that stand open and more animals than usual',
    duties: ['livestock'],
    weather: { ...COLD, lowC: -3, highC: 6 },
    make: (_, days) => ({
      events: eachDay(days, (day) => ({
        kind: 'drive',
        name: 'door open',
        drive: 'doorOpen',
        value: 0.4,
        atS: day * DAY_S + 5 * HOUR_S,
        lengthS: 30 * 60,
      })),
    }),
  },
  {
    id: 'market-day',
    name: 'market day',
    tries: 'people in and out from eight to six in the cold',
    duties: ['door-curtain'],
    weather: { ...COLD, lowC: 0, highC: 6, windMs: 5 },
    make: () => ({
      traffic: { perHour: Array.from({ length: 24 }, (_, hour) => (hour >= 8 && hour < 18 ? 40 : 0)), openS: 25 },
    }),
  },
  {
    id: 'door-traffic',
    name: 'door traffic',
    tries: 'an ordinary day at the door in the wind',
    duties: ['door-curtain'],
    weather: { ...MILD, lowC: 4, highC: 11, windMs: 6, month: 3 },
  },
  {
    id: 'fire-lit-and-left',
    name: 'fire lit and left',
    tries: 'lit once in the morning and left to burn out while another extract runs',
    duties: ['stove-flue'],
    weather: { ...MILD, lowC: 3, highC: 10, month: 3 },
    make: () => ({
      lines: [
        daily('fuelKgH', 'steps', [
          [0, 0],
          [7, 24],
          [7.2, 0],
        ]),
        daily('otherExtractLs', 'steps', [
          [0, 0],
          [12, 45],
          [14, 0],
        ]),
      ],
    }),
  },
  {
    id: 'power-cut',
    name: 'power cut',
    tries: 'an outage at the worst hour of the hardest day',
    weather: HOT,
    make: (_, days) => ({
      events: [{ kind: 'power-cut', name: 'power cut', atS: worstS(days), lengthS: 30 * 60 }],
    }),
  },
  {
    id: 'probe-off',
    name: 'probe off its lead',
    tries: 'a reading that is lost for two hours of a warm afternoon',
    weather: HOT,
    make: ({ probe }, days) => ({
      events:
        probe === null
          ? []
          : [
              {
                kind: 'probe',
                name: 'lead off',
                input: probe,
                fault: 'open',
                atS: worstS(days, 13),
                lengthS: 2 * HOUR_S,
              },
            ],
    }),
  },
  {
    id: 'filter-loading',
    name: 'filter loading',
    tries: 'what is left when the filter has loaded down to half its air',
    weather: { ...HOT, highC: 27, peakK: 2 },
    make: ({ fan }, days) => ({
      events: [{ kind: 'fan', name: 'filter loads', fan, toPct: 50, gradual: true, atS: 0, lengthS: days * DAY_S }],
    }),
  },
]

/** How long a rehearsal is: a day, a week, a season. */
export const SPANS = [
  ['day', 1],
  ['week', 7],
  ['season', 91],
] as const

const dateText = (month: number): string => `2026-${String(month).padStart(2, '0')}-06`

function make({ id, name, tries, weather, make: own }: BuiltIn, context: ScenarioContext, days: number): Scenario {
  const usual = USUAL_DAYS[context.duty]
  const made = own?.(context, days) ?? {}
  const lines = [...weatherLines(weather, days), ...(made.lines ?? [])]
  const traffic = made.traffic ?? usual.traffic
  return {
    schema: SCENARIO_SCHEMA,
    id,
    name,
    tries,
    days,
    startsOn: dateText(weather.month),
    seed: 7,
    // What is made for this day stands before what is usual.
    lines: [...lines, ...usual.lines.filter(({ drive }) => !lines.some((line) => line.drive === drive))],
    ...(traffic ? { traffic } : {}),
    events: [...(made.events ?? [])],
  }
}

/** The days that fit a duty, as documents of so many days. */
export const builtInScenarios = (context: ScenarioContext, days: number): Scenario[] =>
  BUILT_IN.filter(({ duties }) => !duties || duties.includes(context.duty)).map((one) => make(one, context, days))
