import { useSyncExternalStore } from 'react'
import { today } from '@/ui/clock'
import { never } from '@/ui/useIsLive'

const todayInUtc = (): string => new Date().toISOString().slice(0, 10)

/** Today where the browser is, as a label has it; in UTC until the page answers, as the server does not know where that is. */
export const useToday = (): string => useSyncExternalStore(never, () => today(), todayInUtc)
