'use client'

import { momentsFor, type Moments } from '@/ui/clock'
import { usePreference } from '@/ui/preference'
import { useIsLive } from '@/ui/useIsLive'
import { seenIf } from '@/ui/useWidth'

/** The words for instants of whoever looks. The server does not know where that is: until the page answers they are those of UTC. */
export const useMoments = (): Moments => momentsFor(usePreference(), useIsLive() ? undefined : 'UTC')

type Props = { at: string; as?: keyof Moments }

/** An instant in the words of whoever looks; not seen, its room kept, before it is known where that is. */
export const Moment = ({ at, as = 'dayAndClock' }: Props) => {
  const moments = useMoments()
  const { zone } = usePreference()
  const isKnown = useIsLive() || zone !== undefined
  return (
    <time dateTime={at} style={seenIf(isKnown)}>
      {moments[as](at)}
    </time>
  )
}
