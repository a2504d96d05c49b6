import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { closePool } from '@/db/client'
import { migrateDatabase } from '@/db/migrate'
import { createWorkspace } from '@/db/queries/workspace'
import { importReadingsFile } from '@/server/commands/importReadingsFile'
import { importInstallation } from '@/server/commands/makeInstallation'
import { startCluster, stopCluster } from '../cluster'

const LINES = 100_000

/** Seconds to import a CSV of 100,000 lines, against a cluster with its usual safety on power loss. */
export async function csvSeconds(): Promise<number> {
  const folder = mkdtempSync(`${tmpdir()}/gale-bench-`)
  const cluster = await startCluster(folder)
  process.env.DATABASE_URL = cluster.url
  try {
    await migrateDatabase()
    const scope = { workspaceId: await createWorkspace('bench'), personId: 'bench', personName: 'bench' }
    const installationId = randomUUID()
    await importInstallation(scope, {
      id: installationId,
      site: 'Bench',
      text: readFileSync('demo/installations/fruiting-room.json', 'utf8'),
    })
    const minute = (index: number) => new Date(Date.UTC(2026, 0, 1) + index * 60000).toISOString().slice(0, 19)
    const bytes = new TextEncoder().encode(
      `time,temperature (°C)\n${Array.from({ length: LINES }, (_, index) => `${minute(index)},${(20 + Math.sin(index / 500)).toFixed(2)}`).join('\n')}\n`,
    )
    const body = async function* () {
      for (let at = 0; at < bytes.length; at += 65536) yield await Promise.resolve(bytes.slice(at, at + 65536))
    }
    const startedAt = performance.now()
    const result = await importReadingsFile(scope, { id: randomUUID(), installationId, name: 'bench.csv' }, body())
    if (result.kind !== 'done' || result.file.lineCount !== LINES)
      throw new Error(`the import ended with ${result.kind}`)
    return (performance.now() - startedAt) / 1000
  } finally {
    await closePool()
    await stopCluster(cluster)
    rmSync(folder, { recursive: true, force: true })
  }
}
