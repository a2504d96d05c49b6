import { Type } from '@sinclair/typebox'
import { validator } from '@/core/document/validator'
import type { Scope } from '@/db/client'
import { setModelAside } from '@/db/queries/controllerModel'
import { setInstallationAside } from '@/db/queries/installation'
import { closed, Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(
  Type.Union([
    Type.Object({ kind: Type.Literal('installation'), id: Uuid, isAside: Type.Boolean() }, closed),
    Type.Object(
      {
        kind: Type.Literal('controller'),
        id: Type.String({ minLength: 1, maxLength: 60 }),
        isAside: Type.Boolean(),
      },
      closed,
    ),
  ]),
)

/** Sets something aside or brings it back: it leaves the lists, and nothing of it is lost. */
export async function setAside(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { kind, id, isAside } = read.value
  const isDone =
    kind === 'installation' ? await setInstallationAside(scope, id, isAside) : await setModelAside(scope, id, isAside)
  return isDone ? { kind: 'done' } : { kind: 'unknown' }
}
