import type { ImportJob } from '@/db/queries/importJob'
import type { ReadingFile } from '@/db/queries/reading'

export type FileLine = Omit<ReadingFile, 'importedAt'>
export type JobLine = Omit<ImportJob, 'installationId'>

export const isUnderWay = ({ state }: JobLine): boolean => state === 'waiting' || state === 'working'
