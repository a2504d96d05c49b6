'use client'

import { LogList, type ShownEntry } from '@/ui/LogList'
import type { ShownLogEntry } from '@/ui/onSite/pack'
import { useLog } from '@/ui/onSite/useResults'

type Entry = ShownEntry & ShownLogEntry

/** What the server has of the log, led by what was written here and is still on its way. */
export const LogEntries = ({ entries }: { entries: readonly Entry[] }) => (
  <LogList entries={useLog(undefined, entries)} />
)
