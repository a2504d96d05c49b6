import { useCallback, useState } from 'react'

/** Width of an element as it is drawn now, px, the ref that measures it, and whether the browser has told: `first` until then. */
export function useWidth<E extends Element>(
  first: number,
): readonly [widthPx: number, ref: (element: E | null) => void, isMeasured: boolean] {
  const [width, setWidth] = useState<number | null>(null)
  const ref = useCallback(
    (element: E | null) => {
      if (!element) return
      if (!('ResizeObserver' in globalThis)) return setWidth(first)
      const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width))
      observer.observe(element)
      return () => observer.disconnect()
    },
    [first],
  )
  return [width ?? first, ref, width !== null]
}

/** What is placed by the width of its picture is not seen before that is known; its room is kept. */
export const seenIf = (isMeasured: boolean) => ({ visibility: isMeasured ? ('visible' as const) : ('hidden' as const) })
