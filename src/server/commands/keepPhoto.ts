import { Type } from '@sinclair/typebox'
import { closed } from '@/core/json/vocabulary'
import { validator } from '@/core/json/validator'
import type { Scope } from '@/db/client'
import { addPhoto } from '@/db/queries/photo'
import { Instant, Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      installationId: Uuid,
      about: Type.String({ minLength: 1, maxLength: 160 }),
      caption: Type.String({ maxLength: 300 }),
      takenAt: Instant,
      /** The picture in base 64. */
      data: Type.String({ minLength: 8, maxLength: 4_000_000, pattern: '^[A-Za-z0-9+/]+=*$' }),
    },
    closed,
  ),
)

/** What a picture begins with: what is not one of these is not kept. */
const BEGINNINGS = { 'image/jpeg': [0xff, 0xd8, 0xff], 'image/png': [0x89, 0x50, 0x4e, 0x47] } as const

/** Keeps a picture that was taken on site. The same id sent twice is one. */
export async function keepPhoto(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { data, takenAt, ...photo } = read.value
  const bytes = Buffer.from(data, 'base64')
  const type = Object.entries(BEGINNINGS).find(([, marks]) => marks.every((mark, index) => bytes[index] === mark))?.[0]
  if (type === undefined) return { kind: 'invalid', problems: [{ code: 'no_picture', path: 'data' }] }
  const isKept = await addPhoto(scope, { ...photo, type, bytes, takenAt: new Date(takenAt) })
  return isKept ? { kind: 'done' } : { kind: 'unknown' }
}
