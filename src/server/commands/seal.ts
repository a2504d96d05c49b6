import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import type { OpenItem } from '@/core/record/stillOpen'
import type { Scope } from '@/db/client'
import { listCheckResults } from '@/db/queries/checkResult'
import { getInstallation } from '@/db/queries/installation'
import { sealRevision } from '@/db/queries/revision'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import { heavy } from '@/server/heavy/heavy'
import { refreshLine } from '@/server/refreshLines'
import type { Result } from '@/server/result'

const Reason = Type.String({ minLength: 3, maxLength: 300, pattern: '\\S' })

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      installationId: Uuid,
      version: Type.Integer({ minimum: 1 }),
      reason: Reason,
      /** Why each danger that is open stays, by its key. */
      stays: Type.Optional(
        Type.Array(Type.Object({ danger: Type.String({ maxLength: 160 }), reason: Reason }, closed), { maxItems: 100 }),
      ),
    },
    closed,
  ),
)

/** What this version would leave open; null when it is not the one that is kept any more. */
async function openOf(scope: Scope, installationId: string, version: number): Promise<OpenItem[] | null> {
  const row = await getInstallation(scope, installationId)
  if (row?.kind !== 'open' || row.workingCopy.version !== version) return null
  return heavy('stillOpen', row.workingCopy.document, await listCheckResults(scope, installationId))
}

/** Seals the working copy with a reason, for good, and writes on it what was open. Nothing open holds it up, but a danger needs a reason. */
export async function seal(scope: Scope, input: unknown): Promise<Result<{ number: number }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { stays = [], ...wanted } = read.value
  const items = (await openOf(scope, wanted.installationId, wanted.version)) ?? []
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
  const outcome = await sealRevision(scope, { ...wanted, open })
  switch (outcome.kind) {
    case 'sealed':
      await refreshLine(scope, wanted.installationId)
      return { kind: 'done', number: outcome.number }
    case 'behind':
      return { kind: 'behind', version: outcome.version, savedBy: '', savedAt: '' }
    case 'contradicts':
      return { kind: 'invalid', problems: outcome.problems }
    case 'unknown':
      return outcome
  }
}
