import { useSyncExternalStore } from 'react'

/** For what does not change while a page is looked at. */
export const never = () => () => undefined

/** Whether this page answers yet: false in what the server draws, true once the browser has taken it over. */
export const useIsLive = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
