import { useCallback, useState } from 'react'

/** Width of an element as it is drawn now, px, and the ref that measures it; `first` until the browser has told. */
export function useWidth<E extends Element>(
  first: number,
): readonly [widthPx: number, ref: (element: E | null) => void] {
  const [width, setWidth] = useState(first)
  const ref = useCallback((element: E | null) => {
    if (!element || !('ResizeObserver' in globalThis)) return
    const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  return [width, ref]
}
