import { Type } from '@sinclair/typebox'
import { toString as qrCode } from 'qrcode'
import { closed } from '@/core/json/vocabulary'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { addShareLink, endShareLink } from '@/db/queries/shareLink'
import { Uuid } from '@/server/commands/input'
import { hashOf, shareLinkOf, shareTokenOf } from '@/server/invitation'
import type { Result } from '@/server/result'

const MOST_DAYS = 366

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      installationId: Uuid,
      /** Who it is for. */
      forWhom: Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' }),
      days: Type.Integer({ minimum: 1, maximum: MOST_DAYS }),
    },
    closed,
  ),
)

/** Makes a link by which anybody who has it reads the sealed record, and changes nothing. The QR code is of the same link, as SVG. */
export async function shareRecord(scope: Scope, input: unknown): Promise<Result<{ link: string; qrSvg: string }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, installationId, forWhom, days } = read.value
  const token = shareTokenOf(scope.workspaceId, id)
  const isKept = await addShareLink(scope, {
    ...{ id, installationId },
    forWhom: forWhom.trim(),
    tokenHash: hashOf(token),
    expiresAt: new Date(Date.now() + days * 86_400_000),
  })
  if (!isKept) return { kind: 'unknown' }
  const link = shareLinkOf(scope.workspaceId, token)
  return { kind: 'done', link, qrSvg: await qrCode(link, { type: 'svg', margin: 2 }) }
}

const readEnd = validator(Type.Object({ id: Uuid }, closed))

/** Makes a link good for nothing. */
export async function endShare(scope: Scope, input: unknown): Promise<Result> {
  const read = readEnd(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  return (await endShareLink(scope, read.value.id)) ? { kind: 'done' } : { kind: 'unknown' }
}
