import type { CompileContext } from '@/core/response/rules/kind'
import type { RestBand } from '@/core/response/schema'

export const isInRestBand = ({ fromPct, toPct }: RestBand, pct: number): boolean => pct > fromPct && pct < toPct

/** Jumps resonant speeds: a target that came from below goes to the upper edge, one from above to the lower edge.
 *  @param cameFromPct the last target that lay in no band: the memory of the side it came from */
export function skipRestBands(bands: readonly RestBand[], targetPct: number, cameFromPct: number): number {
  for (const band of bands)
    if (isInRestBand(band, targetPct)) return cameFromPct <= band.fromPct ? band.toPct : band.fromPct
  return targetPct
}

/** Keeps the memory of the side for a machine; null where there are no bands. */
export function compileRestBands({
  response,
  memory: plan,
}: CompileContext): ((memory: Float64Array, targetPct: number) => number) | null {
  const { restBands = [] } = response
  if (restBands.length === 0) return null
  const cameFrom = plan.slot(0)
  return (memory, targetPct) => {
    for (let index = 0; index < restBands.length; index++)
      if (isInRestBand(restBands[index]!, targetPct)) return skipRestBands(restBands, targetPct, memory[cameFrom]!)
    memory[cameFrom] = targetPct
    return targetPct
  }
}
