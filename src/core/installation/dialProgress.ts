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
