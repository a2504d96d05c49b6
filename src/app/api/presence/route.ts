import { bePresent } from '@/server/commands/bePresent'
import { respond } from '@/server/respond'

/** A page is open, or closes: `{ pageId, installationId, isLeaving? }`. */
export async function POST(request: Request): Promise<Response> {
  const body: unknown = await request.json().catch(() => null)
  return respond((scope) => bePresent(scope, body))
}
