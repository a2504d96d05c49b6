import { asc, eq, isNotNull, isNull } from 'drizzle-orm'
import type { ControllerModel } from '@/core/controller/schema'
import { readControllerModel } from '@/core/installation/read'
import type { Problem } from '@/core/json/problem'
import { inWorkspace, type Scope } from '@/db/client'
import { nameIn } from '@/core/json/nameIn'
import { putInBin } from '@/db/queries/bin'
import { within } from '@/db/queries/within'
import { controllerModel } from '@/db/schema'

/** A stored model that this program cannot read. */
export type UnreadableModel = { readonly id: string; readonly name: string; readonly problems: readonly Problem[] }

/** The controllers this workspace can choose from, and those that cannot be read. What was set aside is not among them. */
export const listModels = (
  scope: Scope,
): Promise<{ readonly models: readonly ControllerModel[]; readonly unreadable: readonly UnreadableModel[] }> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select()
      .from(controllerModel)
      .where(within(scope, controllerModel, isNull(controllerModel.setAsideAt)))
      .orderBy(asc(controllerModel.id))
    const models: ControllerModel[] = []
    const unreadable: UnreadableModel[] = []
    for (const { id, document } of rows) {
      const read = readControllerModel(document)
      if (read.ok) models.push(read.value)
      else unreadable.push({ id, name: nameIn(document), problems: read.problems })
    }
    return { models, unreadable }
  })

/** The controllers this workspace can choose from. */
export const listControllerModels = async (scope: Scope): Promise<readonly ControllerModel[]> =>
  (await listModels(scope)).models

/** Ids of the models that people of this workspace wrote. */
export const listOwnModelIds = (scope: Scope): Promise<string[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select({ id: controllerModel.id })
      .from(controllerModel)
      .where(within(scope, controllerModel, isNotNull(controllerModel.madeBy)))
    return rows.map(({ id }) => id)
  })

/** A model that was taken out of the list, and when it is gone for good; null where it only was set aside. */
export type AwayModel = { readonly id: string; readonly name: string; readonly goneAt: Date | null }

/** The models that were set aside or deleted. */
export const listAwayModels = (scope: Scope): Promise<AwayModel[]> =>
  inWorkspace(scope, async (tx) => {
    const rows = await tx
      .select()
      .from(controllerModel)
      .where(within(scope, controllerModel, isNotNull(controllerModel.setAsideAt)))
      .orderBy(asc(controllerModel.id))
    return rows.map(({ id, document, goneAt }) => ({ id, name: nameIn(document), goneAt }))
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
        set: { document, madeBy, setAsideAt: null, goneAt: null },
        setWhere: madeBy === null ? isNull(controllerModel.madeBy) : isNotNull(controllerModel.madeBy),
      })
      .returning({ id: controllerModel.id })
    return rows.length > 0
  })

/** A model a person wrote goes out of the list, for good at a time or not, or comes back; false when this workspace has none such. */
export const placeModel = (scope: Scope, id: string, place: 'here' | 'aside' | { goneAt: Date }): Promise<boolean> =>
  inWorkspace(scope, async (tx) => {
    const goneAt = typeof place === 'object' ? place.goneAt : null
    const rows = await tx
      .update(controllerModel)
      .set({ setAsideAt: place === 'here' ? null : new Date(), goneAt })
      .where(within(scope, controllerModel, eq(controllerModel.id, id), isNotNull(controllerModel.madeBy)))
      .returning({ id: controllerModel.id })
    if (rows.length === 0) return false
    await putInBin(tx, scope, { kind: 'controller', id, goneAt })
    return true
  })

/** One model as it is stored, readable or not, with who wrote it; null when this workspace has none of that id. */
export const getControllerModel = (
  scope: Scope,
  id: string,
): Promise<{ readonly data: unknown; readonly madeBy: string | null } | null> =>
  inWorkspace(scope, async (tx) => {
    const [row] = await tx
      .select()
      .from(controllerModel)
      .where(within(scope, controllerModel, eq(controllerModel.id, id)))
    return row ? { data: row.document, madeBy: row.madeBy } : null
  })
