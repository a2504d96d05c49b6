import { Type } from '@sinclair/typebox'
import { anotherLike } from '@/core/installation/anotherLike'
import { closed } from '@/core/json/vocabulary'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { createInstallation, getInstallation, moveInstallation as move } from '@/db/queries/installation'
import { ensureSite } from '@/db/queries/site'
import { Named, Uuid } from '@/server/commands/input'
import { refreshLine } from '@/server/refreshLines'
import type { Result } from '@/server/result'

const readCopy = validator(Type.Object({ id: Uuid, of: Uuid, name: Named }, closed))
const readMove = validator(Type.Object({ id: Uuid, site: Named }, closed))

/** Makes another installation set up like one there is, on the same site. The same id sent twice makes one. */
export async function copyInstallation(scope: Scope, input: unknown): Promise<Result<{ id: string }>> {
  const read = readCopy(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, of, name } = read.value
  const row = await getInstallation(scope, of)
  if (row?.kind !== 'open') return { kind: 'unknown' }
  const document = anotherLike(row.workingCopy.document, name.trim())
  await createInstallation(scope, { id, siteId: row.siteId, document })
  await refreshLine(scope, id)
  return { kind: 'done', id }
}

/** Puts an installation on another site, made when there is none of that name. */
export async function moveInstallation(scope: Scope, input: unknown): Promise<Result> {
  const read = readMove(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, site } = read.value
  if (!(await getInstallation(scope, id))) return { kind: 'unknown' }
  const isMoved = await move(scope, id, await ensureSite(scope, site.trim()))
  return isMoved ? { kind: 'done' } : { kind: 'unknown' }
}
