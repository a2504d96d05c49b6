import type { ProbeSpot } from '@/core/calibration/schema'

export type SpotVerdict = {
  readonly verdict: 'incomplete' | 'too-hot' | 'thin-margin' | 'unresponsive' | 'off-target' | 'good' | 'limit-unknown'
  /** What is left below what the probe survives, K; null where that is not known. */
  readonly marginK: number | null
  /** How far it reads from what it should read with the plant right, K; null where nothing is to be met. */
  readonly offTargetK: number | null
}

export type SpotNeeds = {
  readonly survivesToC: number | null
  readonly resolution: number
  /** What the place should read (°C) in the mild case: the condensing temperature from the gauges. */
  readonly targetC: number | null
}

/** Common practice, no source: a tenth of what it survives, and never under 5 K. */
export const spotMarginK = (survivesToC: number): number => Math.max(5, 0.1 * Math.abs(survivesToC))
const TARGET_WITHIN_K = 2
const RESPONDS_STEPS = 5

/** Whether a probe can live and work at a place, from what was read there in the mild and in the hardest case. */
export function spotVerdict({ mild, hard }: Pick<ProbeSpot, 'mild' | 'hard'>, needs: SpotNeeds): SpotVerdict {
  const { survivesToC, resolution, targetC } = needs
  const hottest = Math.max(mild ?? -Infinity, hard ?? -Infinity)
  const marginK = survivesToC === null || hottest === -Infinity ? null : survivesToC - hottest
  const offTargetK = targetC === null || mild === null ? null : mild - targetC
  const is = (verdict: SpotVerdict['verdict']): SpotVerdict => ({ verdict, marginK, offTargetK })
  if (marginK !== null && marginK < 0) return is('too-hot')
  if (mild === null || (hard === null && targetC === null)) return is('incomplete')
  if (marginK !== null && marginK < spotMarginK(survivesToC!)) return is('thin-margin')
  if (hard !== null && Math.abs(hard - mild) < RESPONDS_STEPS * resolution) return is('unresponsive')
  if (offTargetK !== null && Math.abs(offTargetK) > TARGET_WITHIN_K) return is('off-target')
  return is(survivesToC === null ? 'limit-unknown' : 'good')
}

export const SPOT_VERDICTS: Record<SpotVerdict['verdict'], string> = {
  incomplete: 'read it mild and in the hardest case',
  'too-hot': 'hotter than the probe survives: not here',
  'thin-margin': 'too near what the probe survives: farther from the heat',
  unresponsive: 'hardly moves between mild and hard: it would not follow the plant',
  'off-target': 'reads another temperature than the gauges say: move it along the bend',
  good: 'good',
  'limit-unknown': 'would do, if the probe survives it: find its limit',
}
