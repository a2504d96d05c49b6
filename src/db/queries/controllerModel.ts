import { asc } from 'drizzle-orm'
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

/** Adds a model, or puts the newer text in its place. */
export const saveControllerModel = (scope: Scope, document: ControllerModel): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    await tx
      .insert(controllerModel)
      .values({ workspaceId: scope.workspaceId, id: document.id, document })
      .onConflictDoUpdate({ target: [controllerModel.workspaceId, controllerModel.id], set: { document } })
  })
