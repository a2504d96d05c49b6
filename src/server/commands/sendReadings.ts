import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import { ReadingLayout } from '@/core/formats/readingsCsv/layout'
import { LARGEST_READINGS_BYTES } from '@/core/formats/readingsCsv/limit'
import { Feeds } from '@/core/rehearse/feeds'
import type { Scope } from '@/db/client'
import { addImportPiece, beginImport, dropImport, queueImport } from '@/db/queries/importJob'
import { layoutFault } from '@/server/commands/importReadingsFile'
import { closed } from '@/core/json/vocabulary'
import { Uuid } from '@/server/commands/input'
import type { Result } from '@/server/result'

/** Other bytes came than were announced. */
class NotWhole extends Error {
  constructor(readonly cameMore: boolean) {
    super('the file did not arrive whole')
  }
}

const PIECE_BYTES = 1_000_000

const readInput = validator(
  Type.Object(
    {
      id: Uuid,
      installationId: Uuid,
      name: Type.String({ minLength: 1, maxLength: 120 }),
      bytes: Type.Integer({ minimum: 1, maximum: LARGEST_READINGS_BYTES }),
      layout: ReadingLayout,
      feeds: Type.Union([Feeds, Type.Null()]),
    },
    closed,
  ),
)

/** Takes the bytes of a readings file into the database. Once this is done the import goes on by itself. */
export async function sendReadings(
  scope: Scope,
  input: unknown,
  body: AsyncIterable<Uint8Array>,
): Promise<Result<{ id: string }>> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { id, installationId, name, bytes, layout, feeds } = read.value
  const fault = layoutFault(layout)
  if (fault) return { kind: 'invalid', problems: [fault] }
  const begun = await beginImport(scope, { id, installationId, name, layout, feeds, bytesTotal: bytes })
  if (begun === 'unknown') return { kind: 'unknown' }
  // Sent again because the first answer was lost: it is being read, or was.
  if (begun === 'arrived') return { kind: 'done', id }
  try {
    let [held, heldBytes, no, total]: [Uint8Array[], number, number, number] = [[], 0, 0, 0]
    const flush = async () => {
      await addImportPiece(scope, id, no++, Buffer.concat(held))
      held = []
      heldBytes = 0
    }
    for await (const chunk of body) {
      held.push(chunk)
      heldBytes += chunk.byteLength
      total += chunk.byteLength
      if (total > bytes) throw new NotWhole(true)
      if (heldBytes >= PIECE_BYTES) await flush()
    }
    if (heldBytes > 0) await flush()
    if (total < bytes) throw new NotWhole(false)
    await queueImport(scope, id)
  } catch (error) {
    await dropImport(scope, id)
    if (!(error instanceof NotWhole)) throw error
    return { kind: 'invalid', problems: [{ code: 'not_whole', path: '', cameMore: error.cameMore }] }
  }
  return { kind: 'done', id }
}
