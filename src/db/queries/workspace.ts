import type { Display } from '@/core/quantity/display'
import { randomUUID } from 'node:crypto'
import { and, eq, or, sql } from 'drizzle-orm'
import { readLocalRules, type LocalRule } from '@/core/record/localRule'
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

/** Its own cautions and rules. What cannot be read is none: a page does not fall over it. */
export const localRulesOf = (scope: OfWorkspace): Promise<LocalRule[]> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select({ rules: workspace.localRules })
      .from(workspace)
      .where(eq(workspace.id, scope.workspaceId))
    const read = readLocalRules(row?.rules ?? [])
    return read.ok ? read.value : []
  })

/** Puts rules in the place of those that were looked at; false where they are others by now. */
export const saveLocalRules = (
  scope: OfWorkspace,
  before: readonly LocalRule[],
  rules: readonly LocalRule[],
): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const kept = await tx
      .update(workspace)
      .set({ localRules: rules })
      .where(
        and(
          eq(workspace.id, scope.workspaceId),
          // Sent twice, it is done once.
          or(
            sql`${workspace.localRules} = ${JSON.stringify(before)}::jsonb`,
            sql`${workspace.localRules} = ${JSON.stringify(rules)}::jsonb`,
          ),
        ),
      )
      .returning({ id: workspace.id })
    return kept.length > 0
  })

/** How this person wants figures shown; their own row only. */
export async function savePreference(
  scope: Scope,
  preference: { temperatureUnit: string; flowUnit: string; units: Readonly<Record<string, string>> },
): Promise<void> {
  const { units, ...rest } = preference
  await database()
    .update(person)
    .set({ ...rest, units: JSON.stringify(units) })
    .where(eq(person.id, scope.personId))
}

/** How a screen is to be for this person; their own row only. */
export async function saveDisplay(scope: Scope, display: Display): Promise<void> {
  await database()
    .update(person)
    .set({ display: JSON.stringify(display) })
    .where(eq(person.id, scope.personId))
}

export const countPeople = (): Promise<number> => database().$count(person)
