import type { Action } from '@/core/controller/dialIn'
import type { DialState } from '@/core/installation/installation'

/** Done means done with this value: when the setting wanted changes, its tick no longer counts. */
export const isDone = (action: Pick<Action, 'id' | 'value'>, { done }: DialState): boolean =>
  done.some(({ action: id, value }) => id === action.id && value === action.value)

/** Lists of values of settings that are kept with the dial: as found, decided here, read back. */
export type ValueList = 'present' | 'decided' | 'readBack'

/** Puts a value of one setting into a list of the dial in hand, or takes it away. */
export function putValue(dial: DialState, list: ValueList, setting: string, value: number | null): void {
  const others = (dial[list] ?? []).filter((held) => held.setting !== setting)
  dial[list] = value === null ? others : [...others, { setting, value }]
}

/** Why an action cannot be done here; null where nobody said so. */
export const whyCannot = ({ id }: Pick<Action, 'id'>, { cannot = [] }: DialState): string | null =>
  cannot.find(({ action }) => action === id)?.reason ?? null

/** Marks an action as done with its value, or takes the mark away. What is done could be done. */
export function markDone(dial: DialState, { id, value }: Pick<Action, 'id' | 'value'>, isMarked: boolean): void {
  dial.done = dial.done.filter(({ action }) => action !== id)
  if (!isMarked) return
  dial.done.push({ action: id, value })
  if (dial.cannot) dial.cannot = dial.cannot.filter(({ action }) => action !== id)
}

/** Says why an action cannot be done here; an empty reason takes that back. */
export function markCannot(dial: DialState, { id }: Pick<Action, 'id'>, reason: string): void {
  const others = (dial.cannot ?? []).filter(({ action }) => action !== id)
  dial.done = dial.done.filter(({ action }) => action !== id)
  dial.cannot = reason === '' ? others : [...others, { action: id, reason }]
}
