import type { StepReading } from '@/core/prove/reading'

/** What was typed of one step so far. */
export type StepEntry = {
  readonly inputs: Readonly<Record<string, number>>
  readonly fansPct: Readonly<Record<string, number>>
  readonly fansV: Readonly<Record<string, number>>
}

export const EMPTY_STEP: StepEntry = { inputs: {}, fansPct: {}, fansV: {} }

/** With one reading put there, or taken away. */
export function withReading(entry: StepEntry, kind: keyof StepEntry, id: string, value: number | null): StepEntry {
  const { [id]: _before, ...others } = entry[kind]
  return { ...entry, [kind]: value === null ? others : { ...others, [id]: value } }
}

export const readingOf = ({ inputs, fansPct, fansV }: StepEntry): StepReading => ({
  inputs: { ...inputs },
  fansPct: { ...fansPct },
  ...(Object.keys(fansV).length > 0 ? { fansV: { ...fansV } } : {}),
})

/** Whether everything that counts at a step was read. */
export const isComplete = (
  { inputs, fansPct, fansV }: StepEntry,
  reads: readonly string[],
  fans: readonly string[],
): boolean =>
  reads.every((id) => inputs[id] !== undefined) &&
  fans.every((fan) => fansPct[fan] !== undefined || fansV[fan] !== undefined)
