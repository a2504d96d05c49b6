import { Readable } from 'node:stream'
import { ZipFile } from 'yazl'
import { readingRows } from '@/db/queries/reading'
import { listSiteFacts } from '@/db/queries/site'
import { localRulesOf, workspaceName } from '@/db/queries/workspace'
import {
  listInstallationIds,
  wholeControllers,
  wholeInstallation,
  wholeLog,
  wholeReadingFiles,
} from '@/db/queries/workspaceFile'
import type { Scope } from '@/db/client'
import { WORKSPACE_SCHEMA } from '@/core/formats/workspaceFile/format'

const json = (data: unknown): Buffer => Buffer.from(JSON.stringify(data, null, 1))

/** Everything of a workspace as a zip of JSON, written while it is read: one part at a time is held.
 *  @param only one installation of it, with all that is its own */
export function exportWorkspace(scope: Scope, only: string | null = null): ReadableStream<Uint8Array> {
  const zip = new ZipFile()
  const fail = (error: unknown) => zip.outputStream.emit('error', error)
  /** The content is asked for when its turn comes. */
  const add = (name: string, content: () => AsyncIterable<Buffer>) =>
    zip.addReadStreamLazy(name, {}, (give) => give(null, Readable.from(content())))
  void (async () => {
    const [all, name, localRules, sites, controllers, every] = await Promise.all([
      listInstallationIds(scope),
      workspaceName(scope),
      localRulesOf(scope),
      only === null ? listSiteFacts(scope) : [],
      only === null ? wholeControllers(scope) : [],
      wholeReadingFiles(scope),
    ])
    const ids = all.filter((id) => only === null || id === only)
    const files = every.filter(({ installationId }) => only === null || installationId === only)
    const manifest = {
      schema: WORKSPACE_SCHEMA,
      name,
      writtenAt: new Date().toISOString(),
      installations: ids.length,
      localRules,
      sites,
    }
    zip.addBuffer(json(manifest), 'workspace.json')
    if (only === null) zip.addBuffer(json(await wholeLog(scope)), 'log.json')
    controllers.forEach((controller, index) => zip.addBuffer(json(controller), `controllers/${index + 1}.json`))
    for (const id of ids)
      add(`installations/${id}.json`, async function* () {
        yield json(await wholeInstallation(scope, id))
      })
    for (const file of files) {
      const { id, installationId, name: called, columns, zone, feeds } = file
      zip.addBuffer(json({ id, installationId, name: called, columns, zone, feeds }), `readings/${id}.json`)
      const read = { ...file, columns: columns as never, feeds: null }
      add(`readings/${id}.ndjson`, async function* () {
        for await (const rows of readingRows(scope, read))
          yield Buffer.from(rows.map(({ atMs, values }) => `${JSON.stringify([atMs, ...values])}\n`).join(''))
      })
    }
    zip.end()
  })().catch(fail)
  return Readable.toWeb(Readable.from(zip.outputStream)) as ReadableStream<Uint8Array>
}
