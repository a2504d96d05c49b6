import type { Brief } from '@/core/brief/schema'
import { formatTime } from '@/core/quantity/format'

/** A flow that must not be undercut, and when that counts. */
export type Requirement = {
  readonly flowLs: number
  readonly kept: 'always' | 'occupied' | 'mean'
  /** For a mean: over how long (s). */
  readonly overS: number
}

/** Minimum ventilation of a house is counted over its cycle; common practice, no source: an hour. */
const MEAN_OVER_S = 3600

/** The requirement of a brief as it is judged: where nothing is said it holds always, in a livestock house as a mean over an hour. */
export function requirementOf({ duty, requiredFlow }: Pick<Brief, 'duty' | 'requiredFlow'>): Requirement | null {
  if (!requiredFlow) return null
  const { flowLs, kept = duty === 'livestock' ? 'mean' : 'always', overS = MEAN_OVER_S } = requiredFlow
  return { flowLs, kept, overS }
}

/** When a requirement holds, in words: “as a mean over 60 min”. */
export function keptText({ kept, overS }: Requirement): string {
  switch (kept) {
    case 'always':
      return 'always'
    case 'occupied':
      return 'while somebody is there'
    case 'mean':
      return `as a mean over ${formatTime(overS)}`
  }
}
