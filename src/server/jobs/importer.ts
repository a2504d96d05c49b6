import { isDatabaseGone } from '@/db/client'
import { runImports } from '@/server/jobs/importWorker'

// A process of its own beside the web server: reading a million lines must not hold up a page, and its memory has a limit of its own.
// It ends with whoever started it.

const LOOK_EVERY_MS = 500

process.on('disconnect', () => process.exit(0))

for (;;) {
  try {
    await runImports()
  } catch (error) {
    // A lost database comes back; anything else must be seen. Either way the job waits, and is tried at the next look.
    if (!isDatabaseGone(error)) console.error(error)
  }
  await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS))
}
