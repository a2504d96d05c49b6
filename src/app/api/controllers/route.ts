import type { ControllerModel } from '@/core/controller/schema'
import { listControllerModels } from '@/db/queries/controllerModel'
import { respond } from '@/server/respond'
import type { Result } from '@/server/result'

/** The controllers this workspace can choose from. */
export const GET = (): Promise<Response> =>
  respond('look', null, async (scope): Promise<Result<{ models: readonly ControllerModel[] }>> => ({
    kind: 'done',
    models: await listControllerModels(scope),
  }))
