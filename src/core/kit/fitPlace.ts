import type { Brief } from '@/core/brief/schema'
import type { Place } from '@/core/controller/safeSide'
import type { Kit } from '@/core/kit/schema'
import type { Response } from '@/core/response/schema'

/** What a fit has to know of an installation besides its response: the duty, an open flue, and what the lead takes for a signal. */
export function fitPlace({
  brief: { duty, answers },
  kit,
  response,
}: {
  readonly brief: Pick<Brief, 'duty' | 'answers'>
  readonly kit: Pick<Kit, 'fans'>
  readonly response: Pick<Response, 'lead'>
}): Place {
  const signal = kit.fans.find(({ id }) => id === response.lead)?.signal
  return { duty, ...(answers ? { answers } : {}), ...(signal ? { signal } : {}) }
}
