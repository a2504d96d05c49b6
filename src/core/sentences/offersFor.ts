import type { Installation } from '@/core/installation/installation'
import { plainCopy } from '@/core/json/plainCopy'
import { missingOf } from '@/core/kit/rankModels'
import type { Offer } from '@/core/sentences/behaviour'
import { offers } from '@/core/sentences/table'

export type OfferHere = Offer & {
  /** The chosen controller would not do it at all. */
  readonly isBeyond: boolean
}

/** What can be added, and whether the chosen controller can do it: tried by adding each, one a turn, as the whole takes half a second where a response is
 *  long. Without a controller all of it can still be done.
 *  @param today the date where somebody adds it, YYYY-MM-DD */
export function* offersFor(installation: Installation, today: string): Generator<OfferHere> {
  const { controller } = installation.kit
  const missing = ({ response, brief, kit }: Pick<Installation, 'response' | 'brief' | 'kit'>): number =>
    controller ? missingOf(response, brief, kit, controller).length : 0
  const before = missing(installation)
  for (const offer of offers(installation)) {
    const draft = plainCopy(installation)
    offer.add(draft, null, today)
    yield { ...offer, isBeyond: missing(draft) > before }
  }
}
