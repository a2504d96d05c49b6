import { DUTIES } from '@/core/brief/duty'
import { Type } from '@sinclair/typebox'
import { newInstallation } from '@/core/installation/newInstallation'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { createInstallation } from '@/db/queries/installation'
import { ensureSite } from '@/db/queries/site'
import { closed } from '@/core/json/vocabulary'
import { Named, Uuid } from '@/server/commands/input'
import { heavy } from '@/server/heavy/heavy'
import { refreshLine } from '@/server/refreshLines'
import type { Result } from '@/server/result'

const readNew = validator(
  Type.Object(
    { id: Uuid, site: Named, name: Named, duty: Type.Union(DUTIES.map((duty) => Type.Literal(duty))) },
    closed,
  ),
)
const readImport = validator(
  Type.Object({ id: Uuid, site: Named, text: Type.String({ maxLength: 4_000_000 }) }, closed),
)

/** Makes an installation from nothing but its name and duty. */
export async function makeInstallation(scope: Scope, input: unknown): Promise<Result<{ id: string }>> {
  const read = readNew(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, site, name, duty } = read.value
  const { id: siteId } = await ensureSite(scope, site.trim())
  await createInstallation(scope, { id, siteId, document: newInstallation(name.trim(), duty) })
  await refreshLine(scope, id)
  return { kind: 'done', id }
}

/** Makes an installation from an exported file. */
export async function importInstallation(scope: Scope, input: unknown): Promise<Result<{ id: string }>> {
  const read = readImport(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const document = await heavy('readInstallationText', read.value.text)
  if (!document.ok) return { kind: 'invalid', problems: document.problems }
  const { id, site } = read.value
  const { id: siteId } = await ensureSite(scope, site.trim())
  await createInstallation(scope, { id, siteId, document: document.value })
  await refreshLine(scope, id)
  return { kind: 'done', id }
}
