import type { Action } from '@/core/controller/dialIn'
import type { DialState } from '@/core/installation/installation'

/** Done means done with this value: when the setting wanted changes, its tick no longer counts. */
export const isDone = (action: Action, { done }: DialState): boolean =>
  done.some(({ action: id, value }) => id === action.id && value === action.value)
