import { isUuid } from '@/server/commands/input'
import { getInstallation } from '@/db/queries/installation'
import { keepWorkingCopy } from '@/server/commands/keepWorkingCopy'
import { respond } from '@/server/respond'
import type { Result } from '@/server/result'
import type { Installation } from '@/core/document/installation'

type Kept = { version: number; savedAt: string; savedBy: string; document: Installation }

type Context = { params: Promise<{ id: string }> }

const LARGEST_BYTES = 4_000_000

/** The working copy as it is kept now. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { id } = await params
  return respond(async (scope): Promise<Result<Kept>> => {
    const row = isUuid(id) ? await getInstallation(scope, id) : null
    if (!row) return { kind: 'unknown' }
    if (row.kind === 'unreadable') return { kind: 'invalid', problems: row.problems }
    const { version, savedAt, savedBy, document } = row.workingCopy
    return { kind: 'done', version, savedAt: savedAt.toISOString(), savedBy, document }
  })
}

/** Keeps a change: `{ baseVersion, saveId, document }`. */
export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_BYTES)
    return Response.json(
      { kind: 'invalid', problems: [{ code: 'said', path: '', text: 'This working copy is too large to keep.' }] },
      { status: 413 },
    )
  const body: unknown = await request.json().catch(() => null)
  return respond((scope) => keepWorkingCopy(scope, typeof body === 'object' && body !== null ? { ...body, id } : body))
}
