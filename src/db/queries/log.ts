import { and, asc, desc, eq, exists, gte, ilike, isNull, lt, sql } from 'drizzle-orm'
import { QueryBuilder } from 'drizzle-orm/pg-core'
import { LOG_KINDS } from '@/core/formats/workspaceFile/format'
import { inWorkspace, type Scope } from '@/db/client'
import { likeText, hasInstallation, within, type OfWorkspace } from '@/db/queries/within'
import { installation, logEntry } from '@/db/schema'

export type LogKind = (typeof LOG_KINDS)[number]

export type LogEntry = {
  readonly id: string
  readonly installationId: string | null
  readonly kind: LogKind
  readonly text: string
  /** The entry this one puts right; null where it is none. */
  readonly corrects: string | null
  /** Of a visit: what was read; null for every other entry. */
  readonly detail: unknown
  readonly writtenBy: string
  readonly writtenAt: Date
  readonly seq: number
}

/** Writes into the log; the same id sent twice is one. False when the installation or the entry it puts right is not of this workspace, or the id belongs to another entry. */
export const addLogEntry = (
  scope: Scope,
  entry: Pick<LogEntry, 'id' | 'installationId' | 'kind' | 'text'> & {
    readonly corrects?: string | null
    readonly detail?: unknown
  },
): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    if (entry.installationId !== null) {
      if (!(await hasInstallation(tx, scope, entry.installationId))) return false
    }
    // What is put right is an entry about the same.
    if (entry.corrects != null) {
      const about =
        entry.installationId === null
          ? isNull(logEntry.installationId)
          : eq(logEntry.installationId, entry.installationId)
      if ((await tx.$count(logEntry, within(scope, logEntry, eq(logEntry.id, entry.corrects), about))) !== 1)
        return false
    }
    const written = await tx
      .insert(logEntry)
      .values({ ...entry, workspaceId: scope.workspaceId, writtenBy: scope.personName })
      .onConflictDoNothing()
      .returning({ id: logEntry.id })
    const { id, text } = entry
    return (
      written.length > 0 ||
      (await tx.$count(logEntry, within(scope, logEntry, eq(logEntry.id, id), eq(logEntry.text, text)))) === 1
    )
  })

/** Entries of one page of the log. */
export const LOG_PAGE = 200

export type LogAsk = {
  readonly installationId?: string
  /** Only of the installations of this site. */
  readonly siteId?: string
  readonly kind?: LogKind
  /** Only what somebody of this name wrote. */
  readonly by?: string
  /** Only from this day to that, both included, as `2026-11-25` in UTC. */
  readonly fromDay?: string
  readonly toDay?: string
  /** Only entries before this place in the order, for the next page. */
  readonly before?: number
  /** Only entries that hold this text. */
  readonly holds?: string
}

const asked = ({ installationId, siteId, kind, by, fromDay, toDay, before, holds }: LogAsk) => [
  installationId === undefined ? undefined : eq(logEntry.installationId, installationId),
  siteId === undefined
    ? undefined
    : exists(
        new QueryBuilder()
          .select({ one: sql`1` })
          .from(installation)
          .where(
            and(
              eq(installation.workspaceId, logEntry.workspaceId),
              eq(installation.id, logEntry.installationId),
              eq(installation.siteId, siteId),
            ),
          ),
      ),
  kind === undefined ? undefined : eq(logEntry.kind, kind),
  by === undefined ? undefined : eq(logEntry.writtenBy, by),
  fromDay === undefined ? undefined : gte(logEntry.writtenAt, new Date(`${fromDay}T00:00:00Z`)),
  toDay === undefined ? undefined : lt(logEntry.writtenAt, new Date(Date.parse(`${toDay}T00:00:00Z`) + 86_400_000)),
  before === undefined ? undefined : lt(logEntry.seq, before),
  holds ? ilike(logEntry.text, likeText(holds)) : undefined,
]

/** Who wrote into the log of the workspace, by name. */
export const logWriters = (scope: Scope): Promise<string[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .selectDistinct({ by: logEntry.writtenBy })
      .from(logEntry)
      .where(within(scope, logEntry))
      .orderBy(asc(logEntry.writtenBy))
      .limit(200)
    return rows.map(({ by }) => by)
  })

/** The log of the workspace, or of one installation, newest first, a page at a time. */
export const listLog = (scope: Scope, ask: LogAsk = {}, most = LOG_PAGE): Promise<LogEntry[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select()
      .from(logEntry)
      .where(within(scope, logEntry, ...asked(ask)))
      .orderBy(desc(logEntry.seq))
      .limit(most)
    return rows.map(({ workspaceId: _, kind, ...entry }) => ({
      ...entry,
      kind: LOG_KINDS.find((known) => known === kind) ?? 'note',
    }))
  })

/** What somebody of this name wrote, oldest first. */
export const logWrittenBy = (scope: OfWorkspace, writtenBy: string): Promise<{ text: string; writtenAt: Date }[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({ text: logEntry.text, writtenAt: logEntry.writtenAt })
      .from(logEntry)
      .where(within(scope, logEntry, eq(logEntry.writtenBy, writtenBy)))
      .orderBy(asc(logEntry.seq)),
  )
