'use client'

import { useEffect, useState } from 'react'
import { closedLoopInWorker, patientWorker, rehearseWorker } from '@/workers/rehearse'
import type { Job, Rehearsal } from '@/workers/rehearse.worker'
import type { Explanation } from '@/core/machine/explain'
import type { Calm, Hunt } from '@/core/rehearse/hunting'

export type Run = Rehearsal & { readonly job: Job; readonly tookMs: number }

/** A job, run in the worker and shown while it goes on; the one before stays until the next shows something. */
export function useRun(job: Job | null): Run | null {
  const [run, setRun] = useState<Run | null>(null)
  useEffect(() => {
    if (!job) return
    let isCurrent = true
    const startedAt = performance.now()
    const show = (rehearsal: Rehearsal) => {
      if (isCurrent) setRun({ ...rehearsal, job, tookMs: performance.now() - startedAt })
    }
    void closedLoopInWorker(job, show).then((whole) => whole && show(whole))
    return () => {
      isCurrent = false
    }
  }, [job])
  return run
}

/** What the worker says to a question, once nothing newer is asked. */
function useAnswer<T>(ask: (() => Promise<T>) | null, key: unknown, afterMs: number): T | undefined {
  const [answer, setAnswer] = useState<{ readonly key: unknown; readonly value: T } | null>(null)
  useEffect(() => {
    if (!ask) return
    let isCurrent = true
    const timer = setTimeout(() => {
      void ask().then((value) => {
        if (isCurrent) setAnswer({ key, value })
      })
    }, afterMs)
    return () => {
      isCurrent = false
      clearTimeout(timer)
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key says what is asked
  }, [key])
  return answer && answer.key === key ? answer.value : undefined
}

const SETTLES_MS = 120

/** Why the fan ran as it did at a row, a moment after the cursor rests there. */
export function useWhy(run: Run | null, row: number): Explanation | null | undefined {
  const name = run?.isWhole ? `${run.tookMs} ${row}` : null
  return useAnswer(run?.isWhole ? () => rehearseWorker().why(run.job, row) : null, name, SETTLES_MS)
}

/** The least band that calms the worst hunt of a run. */
export function useCalm(run: Run | null): Calm | null | undefined {
  const hunt: Hunt | undefined = run?.isWhole ? run.hunts[0] : undefined
  return useAnswer(run && hunt ? () => patientWorker().calm(run.job, hunt) : null, hunt ?? null, 0)
}
