import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { database, inWorkspace, type Scope } from '@/db/client'
import type { OfWorkspace } from '@/db/queries/within'
import { person, workspace } from '@/db/schema'

/** Makes an empty workspace and returns its id. */
export async function createWorkspace(name: string): Promise<string> {
  const workspaceId = randomUUID()
  await inWorkspace({ workspaceId }, (tx) => tx.insert(workspace).values({ id: workspaceId, name }))
  return workspaceId
}

/** Gives the workspace another name. */
export async function renameWorkspace(scope: Scope, name: string): Promise<void> {
  await inWorkspace(scope, (tx) => tx.update(workspace).set({ name }).where(eq(workspace.id, scope.workspaceId)))
}

export const workspaceName = (scope: OfWorkspace): Promise<string> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx.select({ name: workspace.name }).from(workspace).where(eq(workspace.id, scope.workspaceId))
    return row?.name ?? ''
  })

/** How this person wants figures shown; their own row only. */
export async function savePreference(
  scope: Scope,
  preference: { temperatureUnit: string; flowUnit: string },
): Promise<void> {
  await database().update(person).set(preference).where(eq(person.id, scope.personId))
}

export const countPeople = (): Promise<number> => database().$count(person)
