import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { openInstallation } from '@/core/installation/open'
import { readControllerModel, readInstallationText } from '@/core/installation/read'
import { canonicalJson } from '@/core/json/canonical'
import { parseJson } from '@/core/json/parseJson'
import { overviewOf } from '@/core/record/overview'
import { utcToday } from '@/server/utcToday'
import { judgeCheck } from '@/server/heavy/judgeCheck'
import { stillOpen } from '@/core/record/stillOpen'

/** What can take longer than a request may hold the others: run in a worker. Arguments and results are plain data. */
export const TASKS = {
  openInstallation,
  readInstallationText,
  readModelText: (text: string) => {
    const data = parseJson(text)
    return data.ok ? readControllerModel(data.value) : data
  },
  overview: (data: unknown, sealed: unknown, sealedOpen: unknown) =>
    overviewOf(data, { document: sealed, open: sealedOpen }, (error) => console.error(error), utcToday()),
  stillOpen: (document: Installation, results: Parameters<typeof stillOpen>[2]) =>
    stillOpen(document, derive(document), results, undefined, utcToday()),
  judgeCheck,
  canonicalJson,
} as const

export type Tasks = typeof TASKS
export type TaskName = keyof Tasks
