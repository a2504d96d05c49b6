import { and, asc, desc, eq, gt, ilike, inArray, isNotNull, isNull, not, or, sql, type SQL } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { itsSite } from '@/db/queries/installation'
import { likeText, ofItsInstallation, within, type OfWorkspace } from '@/db/queries/within'
import { installation, installationLine, revision, site, workingCopy } from '@/db/schema'

/** What is kept for the lists of one installation; see `core/record/overview`. */
export type KeptLine = {
  readonly installationId: string
  readonly name: string
  readonly duty: string | null
  readonly needs: 0 | 1 | 2
  readonly isAsSealed: boolean
  readonly line: unknown
  /** From which version and seal it was made. */
  readonly version: number
  readonly sealNumber: number | null
}

/** An installation whose line is missing or was made from what is no longer so. */
export type StaleLine = {
  readonly installationId: string
  readonly version: number
  readonly document: unknown
  readonly sealNumber: number | null
  readonly sealed: unknown
  /** What was open when it was sealed, as it is stored. */
  readonly sealedOpen: unknown
}

/** Whether a line is missing, or was made by another derivation than `madeBy` or from what is no longer so. */
const isOld = (madeBy: number): SQL<boolean> => sql`(${installationLine.installationId} is null
  or ${installationLine.madeBy} <> ${madeBy}
  or ${installationLine.version} <> ${workingCopy.version}
  or ${installationLine.sealNumber} is distinct from ${installation.lastSealNumber})`

/** Those whose line is not of now, at most so many; or among those that are named.
 *  @param madeBy version of the derivation that is of now */
export const listStaleLines = (
  scope: OfWorkspace,
  madeBy: number,
  limit: number,
  among?: readonly string[],
): Promise<StaleLine[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({
        installationId: installation.id,
        version: workingCopy.version,
        document: workingCopy.document,
        sealNumber: installation.lastSealNumber,
        sealed: revision.document,
        sealedOpen: revision.open,
      })
      .from(installation)
      .innerJoin(workingCopy, ofItsInstallation(workingCopy))
      .leftJoin(installationLine, ofItsInstallation(installationLine))
      .leftJoin(revision, sql`${ofItsInstallation(revision)} and ${revision.number} = ${installation.lastSealNumber}`)
      .where(
        within(
          scope,
          installation,
          among === undefined ? undefined : inArray(installation.id, [...among]),
          isOld(madeBy),
        ),
      )
      .limit(limit),
  )

/** Keeps a line that was made; one made from a newer version stays. */
export const saveLine = (scope: OfWorkspace, madeBy: number, line: KeptLine): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    const { installationId, ...kept } = { ...line, madeBy }
    await tx
      .insert(installationLine)
      .values({ workspaceId: scope.workspaceId, installationId, ...kept })
      .onConflictDoUpdate({
        target: [installationLine.workspaceId, installationLine.installationId],
        set: kept,
        setWhere: sql`${installationLine.version} <= ${line.version}`,
      })
  })

/** How an installation stands, as a list asks for it. */
export const YARD_STANDINGS = ['needs', 'never', 'working', 'sealed'] as const
export type YardStanding = (typeof YARD_STANDINGS)[number]

export const YARD_SORTS = ['site', 'name', 'duty', 'needs', 'sealed', 'due'] as const
export type YardSort = (typeof YARD_SORTS)[number]

export type YardAsk = {
  /** Only those whose name, site or duty holds this text. */
  readonly holds?: string
  readonly siteId?: string
  readonly duty?: string
  readonly standing?: YardStanding
  /** Only those whose next check is due by this day, YYYY-MM-DD; what is overdue is among them. */
  readonly dueBy?: string
  readonly sort?: YardSort
  readonly offset?: number
  /** Version of the derivation that is of now. */
  readonly madeBy: number
}

export type YardRow = {
  readonly id: string
  readonly siteName: string
  readonly name: string
  readonly line: unknown
  readonly isAsSealed: boolean
  readonly sealed: { readonly number: number; readonly sealedAt: Date } | null
}

/** Rows of one page of the yard. */
export const YARD_PAGE = 50
const MOST_NEEDING = 20
const MOST_SEALED = 10

/** The lines have the names, so that no document is opened for a list; one that has no line yet gets it in a moment. */
const name = sql<string>`coalesce(${installationLine.name}, '(being worked out)')`

const columns = {
  id: installation.id,
  siteName: site.name,
  name,
  line: installationLine.line,
  isAsSealed: sql<boolean>`coalesce(${installationLine.isAsSealed}, false)`,
  number: installation.lastSealNumber,
  sealedAt: installation.lastSealedAt,
}

type Selected = Omit<YardRow, 'sealed'> & { number: number | null; sealedAt: Date | null }

const rowOf = ({ number, sealedAt, ...row }: Selected): YardRow => ({
  ...row,
  sealed: number !== null && sealedAt !== null ? { number, sealedAt } : null,
})

export type YardPage = {
  readonly rows: readonly YardRow[]
  /** Those of the page whose line is not of now. */
  readonly stale: readonly string[]
  /** How many there are that were asked for, on all pages. */
  readonly count: number
  readonly needing: readonly YardRow[]
  readonly needingCount: number
  readonly lastSealed: readonly YardRow[]
}

const nextVisitOn = sql`${installationLine.line} ->> 'nextVisitOn'`
const isSealed = isNotNull(installation.lastSealedAt)
const isAsItWasSealed = sql`coalesce(${installationLine.isAsSealed}, false)`

const STANDS: Readonly<Record<YardStanding, SQL | undefined>> = {
  needs: gt(installationLine.needs, 0),
  never: isNull(installation.lastSealedAt),
  working: and(isSealed, not(isAsItWasSealed)),
  sealed: and(isSealed, isAsItWasSealed),
}

const inOrderMade = [asc(installation.createdAt), asc(installation.id)]

const ORDERS: Readonly<Record<YardSort, readonly SQL[]>> = {
  site: [asc(site.name), ...inOrderMade],
  name: [sql`lower(${name}) asc`, ...inOrderMade],
  duty: [sql`${installationLine.duty} asc nulls last`, asc(name), ...inOrderMade],
  needs: [sql`${installationLine.needs} desc nulls last`, asc(site.name), ...inOrderMade],
  sealed: [sql`${installation.lastSealedAt} desc nulls last`, ...inOrderMade],
  due: [sql`${nextVisitOn} asc nulls last`, asc(site.name), ...inOrderMade],
}

/** A page of the yard, by site and then in the order in which they were made, with what needs somebody anywhere in it, the gravest first. */
export function listYard(scope: Scope, ask: YardAsk): Promise<YardPage> {
  const { holds = '', siteId, duty, standing, dueBy, sort = 'site', offset = 0, madeBy } = ask
  return inWorkspace(scope, async (tx) => {
    const inYard = (...also: readonly (SQL | undefined)[]) =>
      within(scope, installation, isNull(installation.setAsideAt), ...also)
    const filters = [
      ...(holds
        ? [or(...[name, site.name, installationLine.duty].map((column) => ilike(column, likeText(holds))))]
        : []),
      ...(siteId === undefined ? [] : [eq(site.id, siteId)]),
      ...(duty === undefined ? [] : [eq(installationLine.duty, duty)]),
      ...(standing === undefined ? [] : [STANDS[standing]]),
      ...(dueBy === undefined ? [] : [sql`${nextVisitOn} <= ${dueBy}`]),
    ]
    const asked = filters.length > 0 ? and(...filters) : undefined
    // A search reads every line once: for the page and for how many there are.
    const count = asked ? sql<number>`count(*) over()::int` : sql<number>`(${tx.$count(installation, inYard())})`
    const rows = await tx
      .select({ ...columns, isOld: isOld(madeBy), count })
      .from(installation)
      .innerJoin(site, itsSite)
      .innerJoin(workingCopy, ofItsInstallation(workingCopy))
      .leftJoin(installationLine, ofItsInstallation(installationLine))
      .where(inYard(asked))
      .orderBy(...ORDERS[sort])
      .limit(YARD_PAGE)
      .offset(offset)
    const select = () =>
      tx
        .select(columns)
        .from(installation)
        .innerJoin(site, itsSite)
        .leftJoin(installationLine, ofItsInstallation(installationLine))
    const needing = await select()
      .where(inYard(gt(installationLine.needs, 0)))
      .orderBy(desc(installationLine.needs), asc(site.name), asc(installation.createdAt))
      .limit(MOST_NEEDING)
    const lastSealed = await select()
      .where(inYard(isNotNull(installation.lastSealedAt)))
      .orderBy(desc(installation.lastSealedAt))
      .limit(MOST_SEALED)
    const [needed] = await tx
      .select({ count: sql<number>`count(*)::int` })
      .from(installation)
      .innerJoin(installationLine, ofItsInstallation(installationLine))
      .where(inYard(gt(installationLine.needs, 0)))
    return {
      rows: rows.map(({ isOld: _isOld, count: _count, ...row }) => rowOf(row)),
      stale: rows.flatMap((row) => (row.isOld ? [row.id] : [])),
      needing: needing.map(rowOf),
      lastSealed: lastSealed.map(rowOf),
      // Behind the last page nothing says how many there are.
      count: Number(rows[0]?.count ?? offset),
      needingCount: needed?.count ?? 0,
    }
  })
}

export type InstallationName = { readonly id: string; readonly name: string; readonly siteName: string }

/** What installations of the yard are called whose name or site holds a text, at most so many, by name. */
export const findInstallations = (scope: Scope, holds: string, limit = 20): Promise<InstallationName[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({ id: installation.id, name, siteName: site.name })
      .from(installation)
      .innerJoin(site, itsSite)
      .leftJoin(installationLine, ofItsInstallation(installationLine))
      .where(
        within(
          scope,
          installation,
          isNull(installation.setAsideAt),
          or(ilike(name, likeText(holds)), ilike(site.name, likeText(holds))),
        ),
      )
      .orderBy(asc(name), asc(installation.id))
      .limit(limit),
  )

/** What installations are called, by id; those that are gone are not among them. */
export const namesOf = (scope: Scope, ids: readonly string[]): Promise<ReadonlyMap<string, string>> =>
  inWorkspace(scope, async (tx) => {
    if (ids.length === 0) return new Map<string, string>()
    const rows = await tx
      .select({ id: installation.id, name })
      .from(installation)
      .leftJoin(installationLine, ofItsInstallation(installationLine))
      .where(within(scope, installation, inArray(installation.id, [...new Set(ids)])))
    return new Map(rows.map((row) => [row.id, row.name]))
  })
