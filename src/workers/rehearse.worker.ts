import { expose } from 'comlink'
import { compile } from '@/core/machine/compile'
import type { Response } from '@/core/response/schema'
import { replay, type Replay, type ReplayOptions } from '@/core/space/replay'
import type { Series } from '@/core/space/series'

/** Runs a series through a response away from the page, so that the page answers while it runs. */
function rehearse(
  response: Response,
  series: Series,
  watch: ReplayOptions['watch'],
  onProgress: (share: number) => void,
): Replay | null {
  const machine = compile(response)
  return machine.ok ? replay(machine.value, series, { watch, onProgress }) : null
}

export type RehearseWorker = { rehearse: typeof rehearse }

expose({ rehearse } satisfies RehearseWorker)
