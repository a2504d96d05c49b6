import { join } from 'node:path'
import { Piscina } from 'piscina'
import type { Sealed } from '@/core/record/sealed'
import type { PaperName } from '@/print/paper'

export type PaperWork = {
  readonly name: PaperName
  readonly sealed: Sealed
  readonly labelMm: number | null
  readonly atMs: number
}
type Paper = { readonly type: string; readonly bytes: Uint8Array; readonly file: string }

// Next.js loads server modules more than once; the row must be one.
const held = globalThis as { galePapers?: { waiting: number; last: Promise<unknown> } }

/** Papers that may wait; beyond that the server is too busy, and says so. */
const MOST_WAITING = 20

async function make(work: PaperWork): Promise<Paper> {
  const thread = new Piscina({
    filename: join(process.cwd(), '.next/gale/paperWorker.mjs'),
    maxThreads: 1,
    resourceLimits: { maxOldGenerationSizeMb: 256 },
  })
  try {
    return (await thread.run(work)) as Paper
  } finally {
    await thread.destroy()
  }
}

/** Makes a paper off the event loop, one at a time, each in a thread of its own.
 *  @throws an error with `message` "Task queue is at limit" when too many wait: see `isDatabaseBusy` */
export async function makePaperApart(work: PaperWork): Promise<Paper> {
  const row = (held.galePapers ??= { waiting: 0, last: Promise.resolve() })
  if (row.waiting >= MOST_WAITING) throw new Error('Task queue is at limit')
  row.waiting++
  const mine = row.last.then(() => make(work))
  row.last = mine.catch(() => undefined)
  try {
    return await mine
  } finally {
    row.waiting--
  }
}
