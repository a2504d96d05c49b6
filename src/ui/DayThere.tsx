'use client'

import { formatDay } from '@/ui/clock'

/** A day where the browser is; the server may be in another zone. */
export const DayThere = ({ at }: { at: string }) => (
  <time dateTime={at} suppressHydrationWarning>
    {formatDay(at)}
  </time>
)
