import { isDatabaseGone } from '@/db/client'
import { endImport, getImport, importPieces, noteImport, workNextImport } from '@/db/queries/importJob'
import { importReadingsFile } from '@/server/commands/importReadingsFile'

class Cancelled extends Error {}

/** Reads one file that waits. It may have been begun before by a server that died: nothing of that was kept, so it begins anew. */
async function runImport(workspaceId: string, jobId: string): Promise<void> {
  const scope = { workspaceId, personId: '', personName: '' }
  const found = await getImport(scope, jobId)
  if (!found || found.job.state === 'done') return
  const { job, layout, feeds, cancelAsked } = found
  if (cancelAsked) return endImport(scope, jobId, { state: 'cancelled' })
  try {
    const result = await importReadingsFile(
      scope,
      { id: jobId, installationId: job.installationId, name: job.name, layout, feeds },
      importPieces(scope, jobId),
      async (bytes, lines) => {
        if ((await noteImport(scope, jobId, bytes, lines)).cancelAsked) throw new Cancelled()
      },
    )
    await endImport(
      scope,
      jobId,
      result.kind === 'done'
        ? { state: 'done', lineCount: result.file.lineCount }
        : { state: 'refused', problems: result.kind === 'invalid' ? result.problems : [] },
    )
  } catch (error) {
    if (error instanceof Cancelled) return endImport(scope, jobId, { state: 'cancelled', lineCount: 0 })
    // The file was imported, and only its end was not noted before the server died.
    if (isDuplicate(error)) return endImport(scope, jobId, { state: 'done' })
    if (isDatabaseGone(error)) throw error
    console.error(error)
    return endImport(scope, jobId, { state: 'refused', problems: [{ code: 'import_failed', path: '' }] })
  }
}

const isDuplicate = (error: unknown): boolean => {
  const { code, cause } = (error ?? {}) as { code?: unknown; cause?: unknown }
  return code === '23505' || (cause !== undefined && isDuplicate(cause))
}

/** Runs every import that waits, one after another. */
export async function runImports(): Promise<void> {
  while (await workNextImport(runImport));
}
