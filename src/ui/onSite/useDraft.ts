import { useEffect, useRef, useState } from 'react'
import { browserStore } from '@/ui/onSite/browserStore'

/** It was handed in: nothing of it is kept any more. */
export const forgetDraft = (key: string): void =>
  void browserStore()
    ?.drafts.delete(key)
    .catch(() => undefined)

/** What is being typed and is not handed in yet: it survives the page, the tab and the battery. Under another `key` it is another draft, so that the
 *  component that asks is made anew with its key; under none it ends with the page.
 *  @returns what stands there, and the way to change it */
export function useDraft<T>(key: string | null, empty: T): [T, (value: T) => void] {
  const [value, setValue] = useState(empty)
  const isTouched = useRef(false)
  useEffect(() => {
    if (key === null) return
    let isHere = true
    void browserStore()
      ?.drafts.get(key)
      .then((draft) => {
        if (isHere && draft && !isTouched.current) setValue(draft.value as T)
      })
      .catch(() => undefined)
    return () => {
      isHere = false
    }
  }, [key])
  return [
    value,
    (next) => {
      isTouched.current = true
      setValue(next)
      if (key === null) return
      void browserStore()
        ?.drafts.put({ key, value: next })
        .catch(() => undefined)
    },
  ]
}
