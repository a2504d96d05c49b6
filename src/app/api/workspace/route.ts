import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { respondToChange, respondWith } from '@/server/respond'
import type { Result } from '@/server/result'
import { exportWorkspace } from '@/server/workspaceFile/export'
import { importWorkspace, type Counted } from '@/server/workspaceFile/import'

const LARGEST_BYTES = 500_000_000

/** Everything of this workspace as one zip, which another server takes in. */
export const GET = (): Promise<Response> =>
  respondWith('people', { action: 'exported', what: 'the whole workspace' }, (scope) =>
    Promise.resolve(
      new Response(exportWorkspace(scope), {
        headers: { 'content-type': 'application/zip', 'content-disposition': 'attachment; filename="workspace.zip"' },
      }),
    ),
  )

/** Makes a new workspace of such a zip; whoever sends it owns it. */
export async function POST(request: Request): Promise<Response> {
  type Made = Result<{ counted: Counted; left: readonly string[]; workspaceId: string }>
  return respondToChange(
    request,
    'person',
    { action: 'brought in', what: 'a workspace' },
    async (scope): Promise<Made> => {
      const folder = await mkdtemp(join(tmpdir(), 'gale-workspace-'))
      try {
        const file = join(folder, 'workspace.zip')
        const isWhole = await pipeline(
          request.body ? Readable.fromWeb(request.body as never) : Readable.from([]),
          limited,
          createWriteStream(file),
        ).then(
          () => true,
          (error: unknown) => {
            if (error instanceof TooLong) return false
            throw error
          },
        )
        if (!isWhole) {
          return { kind: 'invalid', problems: [{ code: 'workspace_too_large', path: '', mostMb: LARGEST_BYTES / 1e6 }] }
        }
        return await importWorkspace(file, scope)
      } finally {
        await rm(folder, { recursive: true, force: true })
      }
    },
  )
}

class TooLong extends Error {}

async function* limited(source: AsyncIterable<Buffer>): AsyncGenerator<Buffer, undefined> {
  let bytes = 0
  for await (const piece of source) {
    bytes += piece.byteLength
    if (bytes > LARGEST_BYTES) throw new TooLong()
    yield piece
  }
}
