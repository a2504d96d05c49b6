import { findInstallations, type InstallationName } from '@/db/queries/installationLine'
import { readListQuery } from '@/server/listQuery'
import { respond } from '@/server/respond'
import type { Result } from '@/server/result'

/** Installations whose name or site holds a text: `?holds=`. */
export const GET = (request: Request): Promise<Response> =>
  respond('look', null, async (scope): Promise<Result<{ found: readonly InstallationName[] }>> => {
    const { holds } = readListQuery({ holds: new URL(request.url).searchParams.get('holds') ?? '' })
    return { kind: 'done', found: await findInstallations(scope, holds) }
  })
