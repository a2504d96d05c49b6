import { proxy, wrap, type Remote } from 'comlink'
import type { Response } from '@/core/response/schema'
import type { Replay, ReplayOptions } from '@/core/space/replay'
import type { Series } from '@/core/space/series'
import type { RehearseWorker } from '@/workers/rehearse.worker'

let remote: Remote<RehearseWorker> | undefined

/** Replays in the worker; null when the response cannot be compiled. */
export function rehearseInWorker(
  response: Response,
  series: Series,
  watch: ReplayOptions['watch'],
  onProgress: (share: number) => void,
): Promise<Replay | null> {
  remote ??= wrap<RehearseWorker>(new Worker(new URL('./rehearse.worker.ts', import.meta.url), { type: 'module' }))
  return remote.rehearse(response, series, watch, proxy(onProgress))
}
