import { Type } from '@sinclair/typebox'
import { toString as qrCode } from 'qrcode'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { addInvite } from '@/db/queries/invite'
import { workspaceName } from '@/db/queries/workspace'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import { hashOf, joinLink, tokenOf } from '@/server/invitation'
import { sendLetter } from '@/server/mail'
import type { Result } from '@/server/result'
import { ROLES } from '@/server/rights'

const GOOD_DAYS = 7

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      role: Type.Union(ROLES.map((role) => Type.Literal(role))),
      /** Where a letter goes; empty: the link is only shown. */
      email: Type.Union([Type.Literal(''), Type.String({ maxLength: 254, pattern: '^[^@\\s]+@[^@\\s]+$' })]),
    },
    closed,
  ),
)

/** Makes a link by which one person joins the workspace; it is good once, for a week. The QR code is of the same link, as SVG. */
export async function invitePerson(scope: Scope, input: unknown): Promise<Result<{ link: string; qrSvg: string }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, role, email } = read.value
  const token = tokenOf(scope.workspaceId, id)
  const expiresAt = new Date(Date.now() + GOOD_DAYS * 86_400_000)
  await addInvite(scope, { id, tokenHash: hashOf(token), role, email, expiresAt })
  const link = joinLink(scope.workspaceId, token)
  if (email !== '')
    await sendLetter({
      to: email,
      subject: `Soft Gale: ${scope.personName} invites you`,
      text: `${scope.personName} invites you to “${await workspaceName(scope)}” as ${role}. Open this within a week:\n\n${link}\n\nIt is good once.`,
    })
  return { kind: 'done', link, qrSvg: await qrCode(link, { type: 'svg', margin: 2 }) }
}
