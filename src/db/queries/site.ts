import { and, asc, eq, isNull, ne, sql } from 'drizzle-orm'
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

/** What whoever goes there wants to know, in words. */
export type SiteFacts = {
  readonly address: string
  readonly contact: string
  readonly access: string
  /** IANA name of its time zone; empty where nobody named one. */
  readonly zone: string
}

/** One site with what is known of it; null when this workspace has none of that id. */
export const getSite = (scope: Scope, id: string): Promise<(Site & SiteFacts) | null> =>
  inWorkspace(scope, async (tx) => {
    const { address, contact, access, zone } = site
    const [row] = await tx
      .select({ id: site.id, name: site.name, address, contact, access, zone })
      .from(site)
      .where(within(scope, site, eq(site.id, id)))
    return row ?? null
  })

/** Keeps name and facts of a site. Another site may have the name already: then nothing is changed. */
export const keepSite = (
  scope: Scope,
  { id, name, ...facts }: Site & SiteFacts,
): Promise<'done' | 'taken' | 'unknown'> =>
  inWorkspace(scope, async (tx) => {
    const [known] = await tx
      .select({ id: site.id })
      .from(site)
      .where(within(scope, site, eq(site.id, id)))
      .for('update')
    if (!known) return 'unknown'
    if ((await tx.$count(site, within(scope, site, and(eq(site.name, name), ne(site.id, id))))) > 0) return 'taken'
    await tx
      .update(site)
      .set({ name, ...facts })
      .where(within(scope, site, eq(site.id, id)))
    return 'done'
  })

/** Facts of every site of which something is known. */
export const listSiteFacts = (scope: Scope): Promise<(SiteFacts & { readonly name: string })[]> =>
  inWorkspace(scope, (tx) => {
    const { name, address, contact, access, zone } = site
    return tx
      .select({ name, address, contact, access, zone })
      .from(site)
      .where(within(scope, site, sql`${address} || ${contact} || ${access} || ${zone} <> ''`))
      .orderBy(asc(name))
  })
