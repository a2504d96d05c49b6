import { readBody } from '@/server/body'
import { isUuid } from '@/server/commands/input'
import { getInstallation } from '@/db/queries/installation'
import { keepWorkingCopy } from '@/server/commands/keepWorkingCopy'
import { respond, respondToChange } from '@/server/respond'
import type { Result } from '@/server/result'
import type { Installation } from '@/core/installation/installation'

type Kept = { version: number; savedAt: string; savedBy: string; saveId: string; document: Installation }

type Context = { params: Promise<{ id: string }> }

const LARGEST_BYTES = 4_000_000
const TOO_LARGE = {
  kind: 'invalid',
  problems: [{ code: 'copy_too_large', path: '' }],
} as const

/** The working copy as it is kept now. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { id } = await params
  return respond('look', null, async (scope): Promise<Result<Kept>> => {
    const row = isUuid(id) ? await getInstallation(scope, id) : null
    if (!row) return { kind: 'unknown' }
    if (row.kind === 'unreadable') return { kind: 'invalid', problems: row.problems }
    const { version, savedAt, savedBy, saveId, document } = row.workingCopy
    return { kind: 'done', version, savedAt: savedAt.toISOString(), savedBy, saveId, document }
  })
}

/** Keeps a change: `{ baseVersion, saveId, document }`. */
export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params
  const audited = { action: 'changed', installationId: id, onceInMin: 30 }
  return respondToChange(request, 'work', audited, async (scope): ReturnType<typeof keepWorkingCopy> => {
    // Only who is signed in is listened to.
    const body = await readBody(request, LARGEST_BYTES)
    if (body.kind === 'too-long') return TOO_LARGE
    const { json } = body
    return keepWorkingCopy(scope, typeof json === 'object' && json !== null ? { ...json, id } : json)
  })
}
