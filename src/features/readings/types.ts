import type { ReadingQuantity } from '@/core/formats/readingsCsv/layout'
import type { Problem } from '@/core/problem'

export type FileLine = {
  readonly id: string
  readonly name: string
  readonly columns: readonly { readonly name: string; readonly quantity: ReadingQuantity }[]
  readonly lineCount: number
  readonly fromMs: number
  readonly toMs: number
  readonly zone: string
}

export type JobLine = {
  readonly id: string
  readonly name: string
  readonly state: 'sending' | 'waiting' | 'working' | 'done' | 'refused' | 'cancelled'
  readonly bytesTotal: number
  readonly bytesDone: number
  readonly lineCount: number
  readonly problems: readonly Problem[]
}

export const isUnderWay = ({ state }: JobLine): boolean => state === 'waiting' || state === 'working'
