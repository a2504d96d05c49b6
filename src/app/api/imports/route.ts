import { listImports, type ImportJob } from '@/db/queries/importJob'
import { isUuid } from '@/server/commands/input'
import { respond } from '@/server/respond'
import type { Result } from '@/server/result'

/** The newest imports into an installation and how far they are: `?installation=id`. */
export async function GET(request: Request): Promise<Response> {
  const id = new URL(request.url).searchParams.get('installation') ?? ''
  return respond('look', null, async (scope): Promise<Result<{ jobs: readonly ImportJob[] }>> =>
    isUuid(id) ? { kind: 'done', jobs: await listImports(scope, id) } : { kind: 'unknown' },
  )
}
