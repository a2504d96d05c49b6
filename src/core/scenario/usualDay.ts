import type { Duty } from '@/core/brief/duty'
import type { Line, Scenario } from '@/core/scenario/schema'
import type { Drive } from '@/core/space/model'

type HourPoint = readonly [hour: number, value: number]

/** A daily line from hours and values. */
export const daily = (
  drive: Drive,
  how: Line['how'],
  points: readonly HourPoint[],
  parts: Partial<Line> = {},
): Line => ({
  drive,
  how,
  daily: true,
  points: points.map(([hour, value]) => ({ atS: Math.round(hour * 3600), value })),
  ...parts,
})

type Usual = { readonly lines: readonly Line[]; readonly traffic?: Scenario['traffic'] }

const perHour = (from: number, to: number, by: number): number[] =>
  Array.from({ length: 24 }, (_, hour) =>
    hour >= from && hour < to ? by : hour === from - 1 || hour === to ? by / 4 : 0,
  )

/** What people and loads do on an ordinary day, by duty: plausible, to be changed. Common practice, no source. */
export const USUAL_DAYS: Readonly<Record<Duty, Usual>> = {
  extract: {
    lines: [
      daily('waterGH', 'steps', [
        [0, 20],
        [6.9, 1400],
        [7.4, 20],
        [18, 1400],
        [18.4, 20],
      ]),
      daily('people', 'steps', [
        [0, 0],
        [6.8, 2],
        [7.5, 0],
        [17.9, 3],
        [18.6, 0],
      ]),
      daily('request', 'steps', [
        [0, 0],
        [6.8, 1],
        [7.5, 0],
        [17.9, 1],
        [18.6, 0],
      ]),
    ],
  },
  exhaust: {
    lines: [
      daily('load', 'steps', [
        [0, 0.05],
        [8, 1],
        [17, 0.3],
        [20, 0.05],
      ]),
      daily('request', 'steps', [
        [0, 0],
        [8, 1],
        [17, 0],
      ]),
      daily('people', 'steps', [
        [0, 0],
        [8, 2],
        [17, 0],
      ]),
    ],
  },
  'head-pressure': {
    lines: [
      daily('load', 'straight', [
        [3, 0.55],
        [9, 0.85],
        [15, 1],
        [21, 0.7],
      ]),
    ],
  },
  livestock: {
    lines: [
      daily('load', 'steps', [[0, 1]]),
      daily('light', 'steps', [
        [0, 0],
        [6, 1],
        [20, 0],
      ]),
    ],
  },
  'grow-room': {
    lines: [
      daily('load', 'straight', [
        [4, 0.75],
        [14, 1.05],
      ]),
      daily('light', 'steps', [
        [0, 0],
        [8, 1],
        [20, 0],
      ]),
      daily('request', 'steps', [
        [0, 0],
        [9, 1],
        [9.67, 0],
      ]),
      daily('people', 'steps', [
        [0, 0],
        [9, 2],
        [9.67, 0],
      ]),
    ],
  },
  'stove-flue': {
    lines: [
      daily('fuelKgH', 'steps', [
        [0, 0],
        [6, 18],
        [6.2, 0],
        [8, 14],
        [8.2, 0],
        [10.5, 14],
        [10.7, 0],
      ]),
      daily('otherExtractLs', 'steps', [
        [0, 0],
        [11, 15],
        [12, 0],
      ]),
    ],
  },
  balanced: {
    lines: [
      daily('people', 'steps', [
        [0, 2],
        [8, 0],
        [17, 2],
      ]),
      daily('waterGH', 'steps', [
        [0, 60],
        [7, 500],
        [7.3, 60],
        [18, 900],
        [18.7, 60],
      ]),
      daily('load', 'steps', [
        [0, 0],
        [18, 1],
        [18.7, 0],
      ]),
      daily('request', 'steps', [
        [0, 0],
        [18, 1],
        [18.7, 0],
      ]),
    ],
  },
  'door-curtain': {
    lines: [
      daily('people', 'steps', [
        [0, 0],
        [8, 4],
        [18, 0],
      ]),
    ],
    traffic: { perHour: perHour(8, 18, 14), openS: 22 },
  },
  electronics: {
    lines: [
      daily('load', 'straight', [
        [4, 0.35],
        [9, 0.7],
        [13, 1],
        [17, 0.8],
        [22, 0.4],
      ]),
    ],
  },
}
