import { isUuid } from '@/server/commands/input'
import { hub } from '@/server/live'
import { respondWith } from '@/server/respond'
import { getSavedVersion } from '@/db/queries/installation'

export const dynamic = 'force-dynamic'

/** Proxies cut what says nothing for long. */
const BREATH_MS = 20_000
/** After so long the page asks anew, so that a role that was taken away ends a stream as well. */
const LONGEST_MS = 10 * 60_000

/** What happens to an installation, as it happens: `?installation=id`, as server-sent events. */
export async function GET(request: Request): Promise<Response> {
  const id = new URL(request.url).searchParams.get('installation') ?? ''
  return respondWith('look', null, async (scope) => {
    if (!isUuid(id) || (await getSavedVersion(scope, id)) === null) return null
    const encoder = new TextEncoder()
    let end = () => undefined as void
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const say = (text: string) => {
          try {
            controller.enqueue(encoder.encode(text))
          } catch {
            // The page has gone, and nobody was told yet: what is for the others goes on.
            end()
          }
        }
        const stop = hub().listen(scope.workspaceId, id, (event) => say(`data: ${JSON.stringify(event)}\n\n`))
        const breath = setInterval(() => say(': still here\n\n'), BREATH_MS)
        const longest = setTimeout(() => end(), LONGEST_MS)
        end = () => {
          stop()
          clearInterval(breath)
          clearTimeout(longest)
          end = () => undefined
          try {
            controller.close()
          } catch {
            // The page closed it first.
          }
        }
        request.signal.addEventListener('abort', () => end())
        say('retry: 2000\n\ndata: {"kind":"again"}\n\n')
      },
      cancel: () => end(),
    })
    return new Response(stream, {
      headers: {
        'content-type': 'text/event-stream',
        'cache-control': 'no-store, no-transform',
        'x-accel-buffering': 'no',
      },
    })
  })
}
