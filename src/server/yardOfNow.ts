import 'server-only'
import { overviewMadeBy } from '@/core/record/overview'
import type { Scope } from '@/db/client'
import { listYard, type YardAsk, type YardPage } from '@/db/queries/installationLine'
import { refreshLines } from '@/server/refreshLines'
import { utcToday } from '@/server/utcToday'

/** A page of the yard whose lines are of now; those of other pages are derived by the job. */
export async function yardOfNow(scope: Scope, ask: Omit<YardAsk, 'madeBy'>): Promise<YardPage> {
  const list = () => listYard(scope, { ...ask, madeBy: overviewMadeBy(utcToday()) })
  const yard = await list()
  if (yard.stale.length === 0) return yard
  await refreshLines(scope, yard.stale.length, yard.stale)
  return list()
}
