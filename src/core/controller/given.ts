import type { Loss } from '@/core/controller/loss'

/** What a controller makes of something that is asked, and what is lost on the way. */
export type Given<T> = { readonly value: T; readonly losses: readonly Loss[] }

/** @param losses those that are not there count for nothing */
export const given = <T>(value: T, ...losses: readonly (Loss | false | undefined)[]): Given<T> => ({
  value,
  losses: losses.filter((loss) => typeof loss === 'object'),
})

/** The same losses, with what is made of the value. */
export const made = <T, U>({ value, losses }: Given<T>, next: (value: T) => U): Given<U> => ({
  value: next(value),
  losses,
})

/** Several as one list. */
export const givenList = <T>(list: readonly Given<T>[]): Given<T[]> => ({
  value: list.map(({ value }) => value),
  losses: list.flatMap(({ losses }) => losses),
})

/** Parts as one object; losses in the order in which the parts are written. */
export const givenParts = <T extends object>(parts: { readonly [K in keyof T]: Given<T[K]> }): Given<T> => {
  const entries = Object.entries<Given<unknown>>(parts)
  return {
    value: Object.fromEntries(entries.map(([key, { value }]) => [key, value])) as T,
    losses: entries.flatMap(([, { losses }]) => losses),
  }
}
