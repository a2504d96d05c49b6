import { proxy, wrap, type Remote } from 'comlink'
import type { Replay, ReplayOptions } from '@/core/rehearse/replay'
import type { Series } from '@/core/rehearse/series'
import type { Response } from '@/core/response/schema'
import type { Evaluate } from '@/core/search/search'
import type { Task } from '@/core/search/evaluator'
import type { Job, Rehearsal, RehearseWorker } from '@/workers/rehearse.worker'

const start = (): Remote<RehearseWorker> =>
  wrap<RehearseWorker>(new Worker(new URL('./rehearse.worker.ts', import.meta.url), { type: 'module' }))

let remote: Remote<RehearseWorker> | undefined
/** The worker that rehearses: one for the page, so that a later rehearsal ends an earlier one. */
export const rehearseWorker = (): Remote<RehearseWorker> => (remote ??= start())

let patient: Remote<RehearseWorker> | undefined
/** Another, for what takes seconds: the one that answers to the cursor is not kept waiting. */
export const patientWorker = (): Remote<RehearseWorker> => (patient ??= start())

/** Runs a day against a space in the worker, shown in parts while it goes on; null where a later one took its place. */
export const closedLoopInWorker = (job: Job, onPart: (part: Rehearsal) => void): Promise<Rehearsal | null> =>
  rehearseWorker().closedLoop(job, proxy(onPart))

/** Replays readings in the worker; null when the response cannot be compiled. */
export const rehearseInWorker = (
  response: Response,
  series: Series,
  watch: ReplayOptions['watch'],
  onProgress: (share: number) => void,
): Promise<Replay | null> => rehearseWorker().rehearseReadings(response, series, watch, proxy(onProgress))

const pool: Remote<RehearseWorker>[] = []
const MOST_WORKERS = 4

/** Judges settings on as many workers as the machine has cores for, one left for the page where there are more than two. */
export async function evaluateInPool(task: Task): Promise<Evaluate> {
  const cores = navigator.hardwareConcurrency || 2
  const size = Math.min(MOST_WORKERS, Math.max(2, cores - 1))
  while (pool.length < size) pool.push(start())
  await Promise.all(pool.map((worker) => worker.prepareSearch(task)))
  return async (choices, level) => {
    const share = Math.ceil(choices.length / pool.length)
    const parts = await Promise.all(
      pool.map((worker, index) => worker.scores(choices.slice(index * share, (index + 1) * share), level)),
    )
    return parts.flat()
  }
}
