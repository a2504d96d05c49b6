import { asc, desc, eq, gt, ilike, lt, or, sql, type SQL } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { likeText, within, type OfWorkspace } from '@/db/queries/within'
import { audit, installationLine } from '@/db/schema'

export type AuditEntry = {
  readonly seq: number
  readonly personName: string
  readonly action: string
  readonly what: string
  readonly installationId: string | null
  readonly address: string
  readonly at: Date
}

export type Deed = {
  readonly action: string
  readonly what: string
  readonly installationId?: string | null
  readonly address: string
}

/** Writes down who did what, from where.
 *  @param unlessWithinMin what the same person did to the same installation within so many minutes is not written again */
export const addAudit = (scope: Scope, deed: Deed, unlessWithinMin = 0): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId, personId, personName } = scope
    const { installationId = null, ...rest } = deed
    if (unlessWithinMin > 0) {
      const [before] = await tx
        .select({ seq: audit.seq })
        .from(audit)
        .where(
          within(
            scope,
            audit,
            eq(audit.personId, personId),
            eq(audit.action, rest.action),
            installationId === null ? undefined : eq(audit.installationId, installationId),
            gt(audit.at, sql`now() - make_interval(mins => ${unlessWithinMin})`),
          ),
        )
        .limit(1)
      if (before) return
    }
    await tx.insert(audit).values({
      workspaceId,
      personId,
      personName,
      installationId,
      ...rest,
      what: installationId === null ? rest.what : named(workspaceId, installationId, rest.what),
    })
  })

/** What was done, led by what the installation is called now. */
const named = (workspaceId: string, installationId: string, what: string): SQL<string> =>
  sql`coalesce((select left(case when ${what}::text in ('', ${installationLine.name}) then ${installationLine.name}
      else ${installationLine.name} || ': ' || ${what}::text end, 300)
    from ${installationLine}
    where ${installationLine.workspaceId} = ${workspaceId} and ${installationLine.installationId} = ${installationId}), ${what}::text)`

/** Entries of one page of the audit. */
export const AUDIT_PAGE = 200

/** Who did what, newest first, a page at a time. */
export const listAudit = (
  scope: OfWorkspace,
  { before, holds, limit = AUDIT_PAGE }: { before?: number; holds?: string; limit?: number } = {},
): Promise<AuditEntry[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({
        seq: audit.seq,
        personName: audit.personName,
        action: audit.action,
        what: audit.what,
        installationId: audit.installationId,
        address: audit.address,
        at: audit.at,
      })
      .from(audit)
      .where(
        within(
          scope,
          audit,
          before === undefined ? undefined : lt(audit.seq, before),
          holds
            ? or(
                ...[audit.personName, audit.action, audit.what, audit.address].map((text) =>
                  ilike(text, likeText(holds)),
                ),
              )
            : undefined,
        ),
      )
      .orderBy(desc(audit.seq))
      .limit(limit),
  )

/** What one person did, oldest first. */
export const auditOf = (
  scope: OfWorkspace,
  personId: string,
): Promise<{ action: string; what: string; address: string; at: Date }[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({ action: audit.action, what: audit.what, address: audit.address, at: audit.at })
      .from(audit)
      .where(within(scope, audit, eq(audit.personId, personId)))
      .orderBy(asc(audit.seq)),
  )
