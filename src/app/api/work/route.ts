import { readBody } from '@/server/body'
import { respondToChange } from '@/server/respond'
import { doSiteWork } from '@/server/siteWork'

const LARGEST_BYTES = 6_000_000

/** One thing that was done on site, now or while there was no line: `{ kind, input }`. */
export const POST = (request: Request): Promise<Response> | Response =>
  respondToChange(request, 'work', null, async (_scope, who) => {
    const body = await readBody(request, LARGEST_BYTES)
    return body.kind === 'too-long'
      ? { kind: 'invalid', problems: [{ code: 'copy_too_large', path: '' }] }
      : doSiteWork(who, body.json)
  })
