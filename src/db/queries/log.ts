import { and, desc, eq, type SQL } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { installation, logEntry } from '@/db/schema'

export const LOG_KINDS = ['note', 'made', 'sealed', 'imported'] as const
export type LogKind = (typeof LOG_KINDS)[number]

export type LogEntry = {
  readonly id: string
  readonly installationId: string | null
  readonly kind: LogKind
  readonly text: string
  readonly writtenBy: string
  readonly writtenAt: Date
}

/** Writes into the log; the same id sent twice is one. False when the installation is not of this workspace, or the id belongs to another entry. */
export const addLogEntry = (
  scope: Scope,
  entry: Pick<LogEntry, 'id' | 'installationId' | 'kind' | 'text'>,
): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    if (entry.installationId !== null) {
      const [known] = await tx
        .select({ id: installation.id })
        .from(installation)
        .where(eq(installation.id, entry.installationId))
      if (!known) return false
    }
    const written = await tx
      .insert(logEntry)
      .values({ ...entry, workspaceId: scope.workspaceId, writtenBy: scope.personName })
      .onConflictDoNothing()
      .returning({ id: logEntry.id })
    const { id, text } = entry
    return written.length > 0 || (await tx.$count(logEntry, and(eq(logEntry.id, id), eq(logEntry.text, text)))) === 1
  })

const MOST = 500

/** The log of the workspace, or of one installation, newest first. */
export const listLog = (scope: Scope, installationId?: string): Promise<LogEntry[]> =>
  inWorkspace(scope, async (tx) => {
    const of: SQL | undefined = installationId === undefined ? undefined : eq(logEntry.installationId, installationId)
    const rows = await tx.select().from(logEntry).where(and(of)).orderBy(desc(logEntry.seq)).limit(MOST)
    return rows.map(({ workspaceId: _, kind, ...entry }) => ({
      ...entry,
      kind: LOG_KINDS.find((known) => known === kind) ?? 'note',
    }))
  })
