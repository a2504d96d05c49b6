import { isDatabaseGone } from '@/db/client'
import { keepHouse } from '@/server/jobs/housekeeping'
import { runImports } from '@/server/jobs/importWorker'

// A process of its own beside the web server: reading a million lines must not hold up a page, and its memory has a limit of its own.
// It ends with whoever started it.

const LOOK_EVERY_MS = 500
const HOUSE_EVERY_MS = 3_600_000

process.on('disconnect', () => process.exit(0))
// Here nobody waits for an event loop: tasks run in this process.
process.env.GALE_WORKERS = '0'

/** A lost database comes back; anything else must be seen. Either way the job waits, and is tried at the next look. */
async function orSay(work: () => Promise<void>): Promise<boolean> {
  try {
    await work()
    return true
  } catch (error) {
    if (!isDatabaseGone(error)) console.error(error)
    return false
  }
}

let houseKeptMs = -Infinity
for (;;) {
  await orSay(runImports)
  if (Date.now() - houseKeptMs > HOUSE_EVERY_MS && (await orSay(() => keepHouse()))) houseKeptMs = Date.now()
  await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS))
}
