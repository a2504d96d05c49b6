import type { Duty } from '@/core/brief/duty'
import type { Installation } from '@/core/installation/installation'
import type { UpkeepTask } from '@/core/installation/upkeep'

/** What is due on a day. */
export type Due = {
  readonly id: string
  readonly kind: 'visit' | 'task' | 'instrument' | 'season'
  readonly title: string
  /** YYYY-MM-DD */
  readonly on: string
  /** How often it comes again, days; null where it comes once. */
  readonly everyDays: number | null
}

const DAY_MS = 86_400_000
/** An instrument is calibrated again a year after. Common practice, no source. */
const RECALIBRATE_DAYS = 365

/** A date so many days later. */
export const daysLater = (day: string, days: number): string =>
  new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10)

/** What a duty has done again and again, where nobody said otherwise. Common practice, no source. */
export const USUAL_TASKS: Readonly<Record<Duty, readonly Omit<UpkeepTask, 'lastOn'>[]>> = {
  extract: [{ id: 'grille', name: 'Clean grilles and impeller', everyDays: 365 }],
  exhaust: [{ id: 'grille', name: 'Clean grilles and guards', everyDays: 180 }],
  'head-pressure': [{ id: 'coil', name: 'Clean the coil, look at the probe', everyDays: 180 }],
  livestock: [
    { id: 'alarm', name: 'Try the alarm', everyDays: 7 },
    { id: 'backup', name: 'Try the backup thermostat', everyDays: 30 },
    { id: 'generator', name: 'Run the generator under load', everyDays: 30 },
  ],
  'grow-room': [{ id: 'filter', name: 'Look at the filter', everyDays: 90 }],
  'stove-flue': [{ id: 'sweep', name: 'Flue swept, blower cleaned', everyDays: 365 }],
  balanced: [{ id: 'filter', name: 'Change the filters', everyDays: 180 }],
  'door-curtain': [{ id: 'filter', name: 'Clean the intake', everyDays: 90 }],
  electronics: [{ id: 'dust', name: 'Blow out the dust', everyDays: 180 }],
}

/** Everything that is due, the earliest first.
 *  @param sealedOn the day of the seal, YYYY-MM-DD: what was never done counts from there */
export function dueList({ upkeep = {}, calibration, response }: Installation, sealedOn: string): Due[] {
  const { nextVisitOn, tasks = [] } = upkeep
  const year = sealedOn.slice(0, 4)
  return [
    ...(nextVisitOn === undefined
      ? []
      : [{ id: 'visit', kind: 'visit' as const, title: 'Next check', on: nextVisitOn, everyDays: null }]),
    ...tasks.map(({ id, name, everyDays, lastOn }) => ({
      id: `task-${id}`,
      kind: 'task' as const,
      title: name,
      on: daysLater(lastOn ?? sealedOn, everyDays),
      everyDays,
    })),
    ...(calibration.instruments ?? []).flatMap(({ id, name, calibratedOn }) =>
      calibratedOn === null
        ? []
        : [
            {
              id: `instrument-${id}`,
              kind: 'instrument' as const,
              title: `Calibrate the instrument “${name}”`,
              on: daysLater(calibratedOn, RECALIBRATE_DAYS),
              everyDays: RECALIBRATE_DAYS,
            },
          ],
    ),
    ...(response.seasons ?? []).map(({ id, name, from }) => {
      const thisYear = `${year}-${from}`
      const on = thisYear >= sealedOn ? thisYear : `${Number(year) + 1}-${from}`
      return { id: `season-${id}`, kind: 'season' as const, title: `Change over to ${name}`, on, everyDays: 365 }
    }),
  ].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
}
