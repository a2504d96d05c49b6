import { useSyncExternalStore } from 'react'

const never = () => () => undefined

/** Whether this page answers yet: false in what the server draws, true once the browser has taken it over. */
export const useIsLive = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
