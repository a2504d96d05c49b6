import { readBytes } from '@/server/body'
import { respondToChange } from '@/server/respond'
import type { Result } from '@/server/result'
import { importOne, type Makes } from '@/server/workspaceFile/importOne'

const LARGEST_BYTES = 100_000_000

/** Takes the zip of an exported installation in; with `?trial` it only says what it would make, and where. */
export const POST = (request: Request): Promise<Response> | Response => {
  const isTrial = new URL(request.url).searchParams.has('trial')
  return respondToChange(
    request,
    'work',
    isTrial ? null : { action: 'brought in', what: 'an installation' },
    async (scope): Promise<Result<{ makes: Makes }>> => {
      const bytes = await readBytes(request, LARGEST_BYTES)
      return bytes
        ? importOne(scope, bytes, isTrial)
        : { kind: 'invalid', problems: [{ code: 'workspace_too_large', path: '', mostMb: LARGEST_BYTES / 1e6 }] }
    },
  )
}
