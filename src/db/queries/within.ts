import { and, eq, type SQL } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'
import type { Scope, Transaction } from '@/db/client'
import { installation } from '@/db/schema'

export type OfWorkspace = Pick<Scope, 'workspaceId'>

/** The rows of this workspace for which all of it holds. Row security would leave out the others anyway; said in the query, the workspace leads
 *  every index, and a database that is spread over machines by workspace knows which one to ask. */
export const within = (
  { workspaceId }: OfWorkspace,
  table: { readonly workspaceId: AnyPgColumn },
  ...also: readonly (SQL | undefined)[]
): SQL | undefined => and(eq(table.workspaceId, workspaceId), ...also)

/** Joins what belongs to an installation to it. */
export const ofItsInstallation = (table: {
  readonly workspaceId: AnyPgColumn
  readonly installationId: AnyPgColumn
}): SQL | undefined => and(eq(table.workspaceId, installation.workspaceId), eq(table.installationId, installation.id))

/** A pattern of `like` that finds the text itself wherever it stands. */
export const likeText = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`

/** Whether an installation is of this workspace. */
export const hasInstallation = async (tx: Transaction, scope: OfWorkspace, installationId: string): Promise<boolean> =>
  (await tx.$count(installation, within(scope, installation, eq(installation.id, installationId)))) === 1
