import { asc, desc, eq, sql } from 'drizzle-orm'
import type { ReadingRow } from '@/core/formats/readingsCsv/reader'
import { inWorkspace, type Scope } from '@/db/client'
import { installation, reading, readingFile } from '@/db/schema'

export type ReadingFile = {
  readonly id: string
  readonly name: string
  readonly columns: readonly ('temperature' | 'humidity')[]
  readonly lineCount: number
  readonly fromMs: number
  readonly toMs: number
  readonly importedAt: Date
}

export type NewReadings = {
  readonly id: string
  readonly installationId: string
  readonly name: string
  readonly columns: ReadingFile['columns']
}

/** Rows arrive in batches; all of them are kept or none. Returns the file, or null when the installation is not of this workspace. */
export const importReadings = (
  scope: Scope,
  { id, installationId, name, columns }: NewReadings,
  batches: AsyncIterable<readonly ReadingRow[]>,
): Promise<ReadingFile | null> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId } = scope
    const [known] = await tx
      .select({ id: installation.id })
      .from(installation)
      .where(eq(installation.id, installationId))
    if (!known) return null
    let [lineCount, fromMs, toMs] = [0, 0, 0]
    await tx.insert(readingFile).values({ id, workspaceId, installationId, name, columns, lineCount, fromMs, toMs })
    for await (const rows of batches) {
      const [first, last] = [rows[0], rows[rows.length - 1]]
      if (!first || !last) continue
      if (lineCount === 0) fromMs = first.atMs
      toMs = last.atMs
      lineCount += rows.length
      for (let column = 0; column < columns.length; column++) {
        const times = rows.map(({ atMs }) => atMs)
        const values = rows.map(({ values: held }) => held[column]!)
        await tx.execute(sql`insert into reading (workspace_id, file_id, column_no, at_ms, value)
          select ${workspaceId}::uuid, ${id}::uuid, ${column}::smallint, at_ms, value
          from unnest(${sql.param(times)}::bigint[], ${sql.param(values)}::float8[]) as row(at_ms, value)`)
      }
    }
    const importedAt = new Date()
    await tx.update(readingFile).set({ lineCount, fromMs, toMs, importedAt }).where(eq(readingFile.id, id))
    return { id, name, columns, lineCount, fromMs, toMs, importedAt }
  })

export const listReadingFiles = (scope: Scope, installationId: string): Promise<ReadingFile[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select()
      .from(readingFile)
      .where(eq(readingFile.installationId, installationId))
      .orderBy(desc(readingFile.importedAt))
    return rows.map(({ id, name, columns, lineCount, fromMs, toMs, importedAt }) => ({
      id,
      name,
      columns: columns as ReadingFile['columns'],
      lineCount,
      fromMs,
      toMs,
      importedAt,
    }))
  })

export type ReadingTable = {
  readonly columns: ReadingFile['columns']
  readonly atMs: readonly number[]
  readonly values: readonly (readonly number[])[]
}

/** All readings of a file, a list a column; null when this workspace has no such file. */
export const getReadings = (scope: Scope, fileId: string): Promise<ReadingTable | null> =>
  inWorkspace(scope, async (tx) => {
    const [file] = await tx.select({ columns: readingFile.columns }).from(readingFile).where(eq(readingFile.id, fileId))
    if (!file) return null
    const columns = file.columns as ReadingFile['columns']
    const rows = await tx
      .select({ columnNo: reading.columnNo, atMs: reading.atMs, value: reading.value })
      .from(reading)
      .where(eq(reading.fileId, fileId))
      .orderBy(asc(reading.columnNo), asc(reading.atMs))
    const inColumn = columns.map((_, index) => rows.filter(({ columnNo }) => columnNo === index))
    return {
      columns,
      atMs: (inColumn[0] ?? []).map(({ atMs }) => atMs),
      values: inColumn.map((column) => column.map(({ value }) => value)),
    }
  })
