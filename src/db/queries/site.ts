import { and, asc, eq, isNull } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { within } from '@/db/queries/within'
import { installation, site } from '@/db/schema'

export type Site = { readonly id: string; readonly name: string }

export const listSites = (scope: Scope): Promise<Site[]> =>
  inWorkspace(scope, (tx) =>
    tx.select({ id: site.id, name: site.name }).from(site).where(within(scope, site)).orderBy(asc(site.name)),
  )

/** Sites on which nothing is, in the yard or set aside. */
export const listEmptySites = (scope: Scope): Promise<Site[]> =>
  inWorkspace(scope, (tx) =>
    tx
      .select({ id: site.id, name: site.name })
      .from(site)
      .leftJoin(installation, and(eq(installation.workspaceId, site.workspaceId), eq(installation.siteId, site.id)))
      .where(within(scope, site, isNull(installation.id)))
      .orderBy(asc(site.name)),
  )

/** The site of this name, made when there is none. */
export const ensureSite = (scope: Scope, name: string): Promise<Site> =>
  inWorkspace(scope, async (tx) => {
    await tx.insert(site).values({ workspaceId: scope.workspaceId, name }).onConflictDoNothing()
    const [row] = await tx
      .select({ id: site.id, name: site.name })
      .from(site)
      .where(within(scope, site, eq(site.name, name)))
    return row!
  })

/** Removes a site on which nothing is, in the yard or set aside. */
export const removeEmptySite = (scope: Scope, id: string): Promise<'done' | 'in-use' | 'unknown'> =>
  inWorkspace(scope, async (tx) => {
    const here = within(scope, site, eq(site.id, id))
    const [known] = await tx.select({ id: site.id }).from(site).where(here).for('update')
    if (!known) return 'unknown'
    if ((await tx.$count(installation, within(scope, installation, eq(installation.siteId, id)))) > 0) return 'in-use'
    await tx.delete(site).where(here)
    return 'done'
  })
