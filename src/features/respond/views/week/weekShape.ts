import type { Period } from '@/core/rules/week'
import type { Times } from '@/core/response/paintWeek'

/** `gesture`: changes under the same name are one step to be undone. */
export type ChangePeriods = (label: string, next: (periods: readonly Period[]) => Period[], gesture?: string) => void

/** A period on one of its days. */
export type Chosen = { readonly index: number; readonly day: number }
export type Stroke = { readonly fromMin: number; readonly toMin: number }

/** What a pointer holds: the week as it was when it took hold, and where that was. */
export type Hold = {
  readonly what: 'body' | 'start' | 'end'
  readonly before: readonly Period[]
  readonly chosen: Chosen
  readonly times: Times
  readonly atMin: number
}

export type SetTimes = (before: readonly Period[], chosen: Chosen, to: Times) => void

export const DAY_MIN = 1440
export const STEP_MIN = 15
export const NAME_PX = 44
export const STRIP_PX = 26

export const share = (minutes: number): string => `${(minutes / DAY_MIN) * 100}%`
export const stepped = (minutes: number): number => Math.round(minutes / STEP_MIN) * STEP_MIN
