import { heartbeat } from '@/server/commands/heartbeat'
import { readBody } from '@/server/body'
import { respondToChange } from '@/server/respond'

const LARGEST_BYTES = 10_000

/** A page is open, or closes: `{ pageId, installationId, isLeaving? }`. */
export async function POST(request: Request): Promise<Response> {
  return respondToChange(request, 'look', null, async (scope) => {
    const body = await readBody(request, LARGEST_BYTES)
    return heartbeat(scope, body.kind === 'json' ? body.json : null)
  })
}
