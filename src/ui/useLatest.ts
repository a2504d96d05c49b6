import { useEffect, useRef, type RefObject } from 'react'

/** A ref that always holds the value of the last render, for listeners that outlive one. */
export function useLatest<T>(value: T): RefObject<T> {
  const held = useRef(value)
  useEffect(() => {
    held.current = value
  })
  return held
}
