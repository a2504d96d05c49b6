'use client'

import { momentsFor, type Moments } from '@/ui/clock'
import { usePreference } from '@/ui/preference'

/** The words for instants of whoever looks. */
export const useMoments = (): Moments => momentsFor(usePreference())

type Props = { at: string; as?: keyof Moments }

/** An instant in the words of whoever looks: the server may be in another zone, and draws it in its own until the page is live. */
export const Moment = ({ at, as = 'dayAndClock' }: Props) => {
  const moments = useMoments()
  return (
    <time dateTime={at} suppressHydrationWarning>
      {moments[as](at)}
    </time>
  )
}
