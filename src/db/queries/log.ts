import { asc, desc, eq, ilike, lt } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { likeText, hasInstallation, within, type OfWorkspace } from '@/db/queries/within'
import { logEntry } from '@/db/schema'

export const LOG_KINDS = ['note', 'made', 'sealed', 'imported'] as const
export type LogKind = (typeof LOG_KINDS)[number]

export type LogEntry = {
  readonly id: string
  readonly installationId: string | null
  readonly kind: LogKind
  readonly text: string
  readonly writtenBy: string
  readonly writtenAt: Date
  readonly seq: number
}

/** Writes into the log; the same id sent twice is one. False when the installation is not of this workspace, or the id belongs to another entry. */
export const addLogEntry = (
  scope: Scope,
  entry: Pick<LogEntry, 'id' | 'installationId' | 'kind' | 'text'>,
): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    if (entry.installationId !== null) {
      if (!(await hasInstallation(tx, scope, entry.installationId))) return false
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
  /** Only entries before this place in the order, for the next page. */
  readonly before?: number
  /** Only entries that hold this text. */
  readonly holds?: string
}

/** The log of the workspace, or of one installation, newest first, a page at a time. */
export const listLog = (scope: Scope, { installationId, before, holds }: LogAsk = {}): Promise<LogEntry[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select()
      .from(logEntry)
      .where(
        within(
          scope,
          logEntry,
          installationId === undefined ? undefined : eq(logEntry.installationId, installationId),
          before === undefined ? undefined : lt(logEntry.seq, before),
          holds ? ilike(logEntry.text, likeText(holds)) : undefined,
        ),
      )
      .orderBy(desc(logEntry.seq))
      .limit(LOG_PAGE)
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
