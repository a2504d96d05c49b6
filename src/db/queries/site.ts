import { asc } from 'drizzle-orm'
import { inWorkspace, type Scope } from '@/db/client'
import { site } from '@/db/schema'

export type Site = { readonly id: string; readonly name: string }

export const listSites = (scope: Scope): Promise<Site[]> =>
  inWorkspace(scope, (tx) => tx.select({ id: site.id, name: site.name }).from(site).orderBy(asc(site.name)))

/** The site of this name, made when there is none. */
export const ensureSite = (scope: Scope, name: string): Promise<Site> =>
  inWorkspace(scope, async (tx) => {
    await tx.insert(site).values({ workspaceId: scope.workspaceId, name }).onConflictDoNothing()
    const sites = await tx.select({ id: site.id, name: site.name }).from(site)
    return sites.find((candidate) => candidate.name === name)!
  })
