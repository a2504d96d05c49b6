import values from '@/testing/referenceValues.json'

/** A check value: inputs and outputs as the reference list gives them. */
export type ReferencePoint = {
  readonly in: Readonly<Record<string, unknown>>
  readonly out: Readonly<Record<string, unknown>>
}

/** The points of one entry of the reference list (control laws and signals; its own sources stand beside each).
 *  @throws when there is no such entry: a test must not pass for want of cases */
export function referencePoints(id: string): readonly ReferencePoint[] {
  const found = values.find((entry) => entry.id === id)
  if (!found || found.points.length === 0) throw new Error(`no reference points for ${id}`)
  return found.points
}
