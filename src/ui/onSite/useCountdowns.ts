import { useEffect, useRef, useState } from 'react'
import { readyAlarm, soundAlarm } from '@/ui/onSite/alarm'
import { useDraft } from '@/ui/onSite/useDraft'

/** A wait that runs by itself. Times in milliseconds since 1970, so that it goes on while the page is away. */
export type Countdown = {
  readonly id: string
  readonly label: string
  readonly startedAtMs: number
  readonly lengthS: number
}

export type Countdowns = {
  readonly running: readonly Countdown[]
  readonly nowMs: number
  readonly start: (countdown: Pick<Countdown, 'id' | 'label' | 'lengthS'>) => void
  readonly end: (id: string) => void
}

export const leftS = ({ startedAtMs, lengthS }: Countdown, nowMs: number): number =>
  Math.max(0, Math.ceil(lengthS - (nowMs - startedAtMs) / 1000))

/** Whether a wait of this id still runs. */
export const isRunning = ({ running, nowMs }: Countdowns, id: string): boolean =>
  running.some((countdown) => countdown.id === id && leftS(countdown, nowMs) > 0)

const NONE: readonly Countdown[] = []

/** The waits of one installation, several beside each other; each sounds and shakes once when it is over. */
export function useCountdowns(installationId: string): Countdowns {
  const [running, put] = useDraft<readonly Countdown[]>(`countdowns:${installationId}`, NONE)
  const [nowMs, setNowMs] = useState(() => Date.now())
  const sounded = useRef(new Set<string>())
  const isAnyLeft = running.some((countdown) => leftS(countdown, nowMs) > 0)
  useEffect(() => {
    if (!isAnyLeft) return
    const timer = setInterval(() => setNowMs(Date.now()), 250)
    return () => clearInterval(timer)
  }, [isAnyLeft])
  useEffect(() => {
    for (const countdown of running) {
      const name = `${countdown.id} ${countdown.startedAtMs}`
      if (leftS(countdown, nowMs) > 0 || sounded.current.has(name)) continue
      sounded.current.add(name)
      // What was over before the page came back is shown, not sounded.
      if (nowMs - countdown.startedAtMs < countdown.lengthS * 1000 + 2000) soundAlarm()
    }
  }, [running, nowMs])
  return {
    running,
    nowMs,
    start: (countdown) => {
      readyAlarm()
      const startedAtMs = Date.now()
      setNowMs(startedAtMs)
      put([...running.filter(({ id }) => id !== countdown.id), { ...countdown, startedAtMs }])
    },
    end: (id) => put(running.filter((countdown) => countdown.id !== id)),
  }
}
