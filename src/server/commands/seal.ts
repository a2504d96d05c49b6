import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { OpenItem } from '@/core/record/stillOpen'
import type { Scope } from '@/db/client'
import { listCheckResults } from '@/db/queries/checkResult'
import { getInstallation } from '@/db/queries/installation'
import { sealRevision } from '@/db/queries/revision'
import { closed } from '@/core/json/vocabulary'
import { Instant, Uuid } from '@/server/commands/input'
import { heavy } from '@/server/heavy/heavy'
import { refreshLine } from '@/server/refreshLines'
import type { Result } from '@/server/result'

const Reason = Type.String({ minLength: 3, maxLength: 300, pattern: '\\S' })

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      installationId: Uuid,
      version: Type.Optional(Type.Integer({ minimum: 1 })),
      /** SHA-256 of the document that was looked at: what is sealed is that, and nothing else. */
      fingerprint: Type.Optional(Type.String({ pattern: '^[0-9a-f]{64}$' })),
      signedAt: Type.Optional(Instant),
      signature: Type.Optional(Type.String({ maxLength: 20_000, pattern: '^[MLQCZ0-9 .,-]*$' })),
      reason: Reason,
      /** Why each danger that is open stays, by its key. */
      stays: Type.Optional(
        Type.Array(Type.Object({ danger: Type.String({ maxLength: 160 }), reason: Reason }, closed), { maxItems: 100 }),
      ),
    },
    closed,
  ),
)

/** What the working copy would leave open; null when it is not the version that was looked at any more. */
async function openOf(scope: Scope, installationId: string, version: number | null): Promise<OpenItem[] | null> {
  const row = await getInstallation(scope, installationId)
  if (row?.kind !== 'open' || (version !== null && row.workingCopy.version !== version)) return null
  return heavy('stillOpen', row.workingCopy.document, await listCheckResults(scope, installationId))
}

/** Seals the working copy with a reason, for good, and writes on it what was open. Nothing open holds it up, but a danger needs a reason. */
export async function seal(scope: Scope, input: unknown): Promise<Result<{ number: number }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { stays = [], id, installationId, version = null, fingerprint = null, reason } = read.value
  // One of both says what was looked at.
  if (version === null && fingerprint === null)
    return { kind: 'invalid', problems: [{ code: 'not_as_signed', path: 'fingerprint' }] }
  const items = (await openOf(scope, installationId, version)) ?? []
  const open = items.map((item): OpenItem => {
    const reason = item.kind === 'danger' ? stays.find(({ danger }) => danger === item.key)?.reason : undefined
    return reason === undefined ? item : { ...item, reason }
  })
  const bare = open.filter(({ kind, reason }) => kind === 'danger' && reason === undefined)
  if (bare.length > 0)
    return {
      kind: 'invalid',
      problems: bare.map(({ key, title }) => ({
        code: 'stays_without_reason',
        path: `stays.${key}`,
        title,
      })),
    }
  const { signedAt, signature = null } = read.value
  const outcome = await sealRevision(scope, {
    ...{ id, installationId, version, fingerprint, reason, signature, open },
    signedAt: signedAt === undefined ? null : new Date(signedAt),
  })
  switch (outcome.kind) {
    case 'sealed':
      await refreshLine(scope, installationId)
      return { kind: 'done', number: outcome.number }
    case 'behind':
      return { kind: 'behind', version: outcome.version, savedBy: '', savedAt: '' }
    case 'not-as-signed':
      return { kind: 'invalid', problems: [{ code: 'not_as_signed', path: 'fingerprint' }] }
    case 'contradicts':
      return { kind: 'invalid', problems: outcome.problems }
    case 'unknown':
      return outcome
  }
}
