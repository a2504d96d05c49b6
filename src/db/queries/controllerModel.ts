import { asc, eq, isNotNull, isNull } from 'drizzle-orm'
import type { ControllerModel } from '@/core/controller/schema'
import { readControllerModel } from '@/core/document/read'
import { inWorkspace, type Scope } from '@/db/client'
import { stored } from '@/db/queries/document'
import { controllerModel } from '@/db/schema'

/** The controllers this workspace can choose from. */
export const listControllerModels = (scope: Scope): Promise<ControllerModel[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx.select().from(controllerModel).orderBy(asc(controllerModel.id))
    return rows.map(({ id, document }) => stored(`controller model ${id}`, readControllerModel(document)))
  })

/** Ids of the models that people of this workspace wrote. */
export const listOwnModelIds = (scope: Scope): Promise<string[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select({ id: controllerModel.id })
      .from(controllerModel)
      .where(isNotNull(controllerModel.madeBy))
    return rows.map(({ id }) => id)
  })

/** Adds a model, or puts the newer text in its place. The examples that come with the program and the models people wrote do not take each
 *  other's ids: false when this one does.
 *  @param madeBy who wrote it; null for an example */
export const saveControllerModel = (
  scope: Scope,
  document: ControllerModel,
  madeBy: string | null = null,
): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .insert(controllerModel)
      .values({ workspaceId: scope.workspaceId, id: document.id, document, madeBy })
      .onConflictDoUpdate({
        target: [controllerModel.workspaceId, controllerModel.id],
        set: { document, madeBy },
        setWhere: madeBy === null ? isNull(controllerModel.madeBy) : isNotNull(controllerModel.madeBy),
      })
      .returning({ id: controllerModel.id })
    return rows.length > 0
  })

/** One model with who wrote it; null when this workspace has none of that id. */
export const getControllerModel = (
  scope: Scope,
  id: string,
): Promise<{ model: ControllerModel; madeBy: string | null } | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx.select().from(controllerModel).where(eq(controllerModel.id, id))
    return row
      ? { model: stored(`controller model ${id}`, readControllerModel(row.document)), madeBy: row.madeBy }
      : null
  })
