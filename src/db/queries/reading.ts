import { asc, desc, eq, gt, isNotNull, isNull, sql, type SQL } from 'drizzle-orm'
import type { ReadingQuantity } from '@/core/formats/readingsCsv/layout'
import type { ReadingRow } from '@/core/formats/readingsCsv/reader'
import { validator } from '@/core/json/validator'
import { Feeds } from '@/core/rehearse/feeds'
import type { ReadingTable } from '@/core/rehearse/readingsSeries'
import { database, inWorkspace, type Scope, type Transaction } from '@/db/client'
import { putInBin } from '@/db/queries/bin'
import { hasInstallation, within } from '@/db/queries/within'
import { reading, readingFile } from '@/db/schema'

export type FileColumn = { readonly name: string; readonly quantity: ReadingQuantity }

export type ReadingFile = {
  readonly id: string
  readonly name: string
  readonly columns: readonly FileColumn[]
  readonly lineCount: number
  readonly fromMs: number
  readonly toMs: number
  readonly zone: string
  /** Which input takes which column, as a person said; null where it is as proposed. */
  readonly feeds: Feeds | null
  readonly importedAt: Date
}

export type NewReadings = {
  readonly id: string
  readonly installationId: string
  readonly name: string
  readonly columns: ReadingFile['columns']
  readonly zone: string
  readonly feeds?: Feeds | null
}

const monthOf = (atMs: number): number => {
  const at = new Date(atMs)
  return Date.UTC(at.getUTCFullYear(), at.getUTCMonth())
}

/** Rows arrive in batches; all of them are kept or none. Returns the file, or null when the installation is not of this workspace. */
export const importReadings = (
  scope: Scope,
  { id, installationId, name, columns, zone, feeds = null }: NewReadings,
  batches: AsyncIterable<readonly ReadingRow[]>,
): Promise<ReadingFile | null> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId } = scope
    if (!(await hasInstallation(tx, scope, installationId))) return null
    let [lineCount, fromMs, toMs] = [0, 0, 0]
    await tx
      .insert(readingFile)
      .values({ id, workspaceId, installationId, name, columns, zone, feeds, lineCount, fromMs, toMs })
    const months = new Set<number>()
    for await (const rows of batches) {
      const [first, last] = [rows[0], rows[rows.length - 1]]
      if (!first || !last) continue
      if (lineCount === 0) fromMs = first.atMs
      toMs = last.atMs
      lineCount += rows.length
      for (const { atMs } of rows) {
        const month = monthOf(atMs)
        if (months.has(month)) continue
        months.add(month)
        // Outside this transaction: its lock on the table of months must not last as long as the import.
        await database().execute(sql`select reading_month(${month}::bigint)`)
      }
      for (let column = 0; column < columns.length; column++) {
        const times = rows.map(({ atMs }) => atMs)
        const values = rows.map(({ values: held }) => held[column]!)
        await tx.execute(sql`insert into reading (workspace_id, file_id, column_no, at_ms, value)
          select ${workspaceId}::uuid, ${id}::uuid, ${column}::smallint, at_ms, value
          from unnest(${sql.param(times)}::bigint[], ${sql.param(values)}::float8[]) as row(at_ms, value)`)
      }
    }
    const importedAt = new Date()
    await tx
      .update(readingFile)
      .set({ lineCount, fromMs, toMs, importedAt })
      .where(within(scope, readingFile, eq(readingFile.id, id)))
    await makeLevels(tx, workspaceId, { id, lineCount, fromMs, toMs })
    return { id, name, columns, lineCount, fromMs, toMs, zone, feeds, importedAt }
  })

const readFeeds = validator(Feeds)
const storedFeeds = (data: unknown): Feeds | null => {
  const read = readFeeds(data)
  return read.ok ? read.value : null
}

const fileOf = ({
  id,
  name,
  columns,
  lineCount,
  fromMs,
  toMs,
  zone,
  feeds,
  importedAt,
}: typeof readingFile.$inferSelect): ReadingFile => ({
  id,
  name,
  columns: columns as ReadingFile['columns'],
  lineCount,
  fromMs,
  toMs,
  zone,
  feeds: storedFeeds(feeds),
  importedAt,
})

export const listReadingFiles = (scope: Scope, installationId: string): Promise<ReadingFile[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select()
      .from(readingFile)
      .where(within(scope, readingFile, eq(readingFile.installationId, installationId), isNull(readingFile.goneAt)))
      .orderBy(desc(readingFile.importedAt))
    return rows.map(fileOf)
  })

export const getReadingFile = (scope: Scope, fileId: string): Promise<ReadingFile | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select()
      .from(readingFile)
      .where(within(scope, readingFile, eq(readingFile.id, fileId)))
    return row ? fileOf(row) : null
  })

/** Keeps which input takes which column of a file; false when this workspace has no such file. */
export const saveFeeds = (scope: Scope, fileId: string, feeds: Feeds): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .update(readingFile)
      .set({ feeds })
      .where(within(scope, readingFile, eq(readingFile.id, fileId)))
      .returning({ id: readingFile.id })
    return rows.length > 0
  })

/** A readings file goes out of the lists to be gone for good at a time, or comes back; false when this workspace has none such. */
export const placeReadingFile = (scope: Scope, fileId: string, goneAt: Date | null): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .update(readingFile)
      .set({ goneAt })
      .where(within(scope, readingFile, eq(readingFile.id, fileId)))
      .returning({ id: readingFile.id })
    if (rows.length === 0) return false
    await putInBin(tx, scope, { kind: 'readings', id: fileId, goneAt })
    return true
  })

/** Readings files that were deleted and can still be brought back. */
export const listDeletedFiles = (
  scope: Scope,
  installationId: string,
): Promise<{ id: string; name: string; goneAt: Date }[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select({ id: readingFile.id, name: readingFile.name, goneAt: readingFile.goneAt })
      .from(readingFile)
      .where(within(scope, readingFile, eq(readingFile.installationId, installationId), isNotNull(readingFile.goneAt)))
      .orderBy(desc(readingFile.goneAt))
    return rows.map(({ goneAt, ...file }) => ({ ...file, goneAt: goneAt! }))
  })

/** More lines than this are thinned to their means before they go to a browser to be replayed. */
export const MOST_REPLAYED = 100_000

/** The readings of a file, a list a column; null when this workspace has no such file. One with more than `MOST_REPLAYED` lines comes as the
 *  means of equal stretches of time. */
export const getReadings = (scope: Scope, fileId: string): Promise<ReadingTable | null> =>
  inWorkspace(scope, async (tx) => {
    const [file] = await tx
      .select()
      .from(readingFile)
      .where(within(scope, readingFile, eq(readingFile.id, fileId)))
    if (!file) return null
    const { columns, lineCount, fromMs, toMs, zone } = fileOf(file)
    const stretchMs = lineCount > MOST_REPLAYED ? Math.ceil((toMs - fromMs + 1) / MOST_REPLAYED) : null
    const rows =
      stretchMs === null
        ? await tx
            .select({ columnNo: reading.columnNo, atMs: reading.atMs, value: reading.value })
            .from(reading)
            .where(within(scope, reading, eq(reading.fileId, fileId)))
            .orderBy(asc(reading.columnNo), asc(reading.atMs))
        : (
            await tx.execute<{ column_no: number; at_ms: string; value: number }>(
              sql`select column_no, min(at_ms) as at_ms, avg(value) as value from reading
                where workspace_id = ${scope.workspaceId}::uuid and file_id = ${fileId}::uuid
                group by column_no, (at_ms - ${fromMs}::bigint) / ${stretchMs}::bigint order by column_no, at_ms`,
            )
          ).rows.map(({ column_no: columnNo, at_ms: atMs, value }) => ({ columnNo, atMs: Number(atMs), value }))
    const values = columns.map((): number[] => [])
    for (const { columnNo, value } of rows) values[columnNo]?.push(value)
    return {
      columns,
      atMs: rows.slice(0, values[0]?.length ?? 0).map(({ atMs }) => atMs),
      values,
      zone,
      ...(stretchMs === null ? {} : { meanOverMs: stretchMs }),
    }
  })

/** The lowest and highest reading of each of so many equal stretches of time: no peak is lost, and no more is sent than a screen can show. */
export type ReadingView = {
  readonly fromMs: number
  readonly toMs: number
  /** For each column: time of the stretch's first reading, lowest, highest. */
  readonly columns: readonly (readonly (readonly [atMs: number, low: number, high: number])[])[]
}

/** What a chart shows of a file between two instants; null when this workspace has no such file.
 *  @param stretches how many points across, at most 4000 */
export const viewReadings = (
  scope: Scope,
  fileId: string,
  fromMs: number,
  toMs: number,
  stretches: number,
): Promise<ReadingView | null> =>
  inWorkspace(scope, async (tx) => {
    const [file] = await tx
      .select()
      .from(readingFile)
      .where(within(scope, readingFile, eq(readingFile.id, fileId)))
    if (!file) return null
    const most = Math.min(4000, Math.max(1, Math.floor(stretches)))
    const widthMs = Math.max(1, Math.ceil((toMs - fromMs + 1) / most))
    const levelMs = levelsOf(file).findLast((level) => level <= widthMs)
    const { rows } = await tx.execute<{ column_no: number; at_ms: string; low: number; high: number }>(
      levelMs === undefined
        ? sql`select column_no, min(at_ms) as at_ms, min(value) as low, max(value) as high from reading
            where workspace_id = ${scope.workspaceId}::uuid and file_id = ${fileId}::uuid
              and at_ms between ${fromMs}::bigint and ${toMs}::bigint
            group by column_no, (at_ms - ${fromMs}::bigint) / ${widthMs}::bigint order by column_no, at_ms`
        : sql`select column_no, min(at_ms) as at_ms, min(low) as low, max(high) as high from reading_level
            where workspace_id = ${scope.workspaceId}::uuid and file_id = ${fileId}::uuid and width_ms = ${levelMs}
              and at_ms between ${fromMs - levelMs + 1}::bigint and ${toMs}::bigint
            group by column_no, (at_ms - ${fromMs}::bigint) / ${widthMs}::bigint order by column_no, at_ms`,
    )
    return {
      fromMs,
      toMs,
      columns: (file.columns as ReadingFile['columns']).map((_, index) =>
        rows
          .filter(({ column_no: column }) => column === index)
          .map(({ at_ms: atMs, low, high }) => [Number(atMs), low, high] as const),
      ),
    }
  })

/** The widths of the stretches of which lowest, highest and mean are kept, ms: a minute, an hour, a day. */
const LEVELS_MS = [60_000, 3_600_000, 86_400_000] as const

type Spread = { readonly lineCount: number; readonly fromMs: number; readonly toMs: number }

/** The levels that are worth keeping of a file: those with two lines a stretch and more. */
const levelsOf = ({ lineCount, fromMs, toMs }: Spread): number[] =>
  LEVELS_MS.filter((widthMs) => lineCount >= (2 * (toMs - fromMs)) / widthMs)

/** Makes the levels of a file from its readings, each coarser one from the one before. */
async function makeLevels(tx: Transaction, workspaceId: string, file: Spread & { readonly id: string }): Promise<void> {
  let finer: number | null = null
  for (const widthMs of levelsOf(file)) {
    const of = sql`workspace_id = ${workspaceId}::uuid and file_id = ${file.id}::uuid`
    const from: SQL =
      finer === null
        ? sql`select workspace_id, file_id, column_no, at_ms, value as low, value as high, value as mean, 1 as count from reading where ${of}`
        : sql`select workspace_id, file_id, column_no, at_ms, low, high, mean, count from reading_level where ${of} and width_ms = ${finer}`
    await tx.execute(sql`insert into reading_level (workspace_id, file_id, column_no, width_ms, at_ms, low, high, mean, count)
      select workspace_id, file_id, column_no, ${widthMs}, min(at_ms), min(low), max(high), sum(mean * count) / sum(count), sum(count)
      from (${from}) as finer group by workspace_id, file_id, column_no, at_ms / ${widthMs}::bigint`)
    finer = widthMs
  }
}

const PAGE_ROWS = 5000

/** The readings of a file in order of time, page after page, so that a file of any length can be written out. */
export async function* readingRows(scope: Scope, file: ReadingFile): AsyncGenerator<ReadingRow[], undefined> {
  let after = file.fromMs - 1
  for (;;) {
    // Every line has every column, so that the pages of all columns hold the same instants.
    const columns = await inWorkspace(scope, (tx) =>
      Promise.all(
        file.columns.map((_, column) =>
          tx
            .select({ atMs: reading.atMs, value: reading.value })
            .from(reading)
            .where(
              within(
                scope,
                reading,
                eq(reading.fileId, file.id),
                eq(reading.columnNo, column),
                gt(reading.atMs, after),
              ),
            )
            .orderBy(asc(reading.atMs))
            .limit(PAGE_ROWS),
        ),
      ),
    )
    const [first] = columns
    const last = first?.[first.length - 1]
    if (!first || !last) return
    yield first.map(({ atMs }, row) => ({ atMs, values: columns.map((column) => column[row]!.value) }))
    after = last.atMs
  }
}
