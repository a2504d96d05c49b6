import { useEffect, useEffectEvent, useRef, useState } from 'react'
import type { Installation } from '@/core/installation/installation'
import { offersFor, type OfferHere } from '@/core/sentences/offersFor'
import { offers } from '@/core/sentences/table'
import { today } from '@/ui/clock'

/** So long after a page came to rest what it offers is worked out, ms. */
const REST_MS = 1500

type Known = { readonly of: Installation; readonly offered: readonly OfferHere[] }

/** What can be added to the document as it stands. Whether the controller can do it is worked out while nobody waits for it: a list that opens before
 *  that is known says nothing of it, and is not put in another order under the hand.
 *  @returns the offers as they were when the list was opened last, and how it is opened */
export function useOffers(documentNow: () => Installation): readonly [readonly OfferHere[], () => void] {
  const known = useRef<Known | null>(null)
  const [offered, setOffered] = useState<readonly OfferHere[]>([])
  const workOut = useEffectEvent(async (isWanted: () => boolean) => {
    const of = documentNow()
    const made: OfferHere[] = []
    for (const offer of offersFor(of, today())) {
      if (!isWanted()) return
      made.push(offer)
      await new Promise((resolve) => setTimeout(resolve))
    }
    known.current = { of, offered: made }
  })
  useEffect(() => {
    let isWanted = true
    const rest = setTimeout(() => void workOut(() => isWanted), REST_MS)
    return () => {
      isWanted = false
      clearTimeout(rest)
    }
    // Once at the beginning, and again after each list: an added rule changes what can be added.
  }, [offered])
  const open = () => {
    const of = documentNow()
    setOffered(
      known.current?.of === of ? known.current.offered : offers(of).map((offer) => ({ ...offer, isBeyond: false })),
    )
  }
  return [offered, open]
}
