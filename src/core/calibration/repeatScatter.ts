import type { Sized } from '@/core/calibration/flowMap'

export type RepeatScatter = {
  /** Standard deviation of one reading about the mean of its setting, as a share of it, pooled over the settings (each with n − 1). */
  readonly share: number
  /** Settings that were read more than once. */
  readonly settings: number
}

/** How far readings at one setting lie apart: what repeating them has shown. The map uses their mean. Null where nothing was read twice. */
export function repeatScatter(sized: readonly Sized[]): RepeatScatter | null {
  const bySetting = new Map<number, number[]>()
  for (const { reading, flowLs } of sized)
    if (!reading.setAside && flowLs > 0)
      bySetting.set(reading.settingPct, [...(bySetting.get(reading.settingPct) ?? []), flowLs])
  const repeated = [...bySetting.values()].filter((flows) => flows.length > 1)
  if (repeated.length === 0) return null
  let [squares, freedom] = [0, 0]
  for (const flows of repeated) {
    const mean = flows.reduce((sum, flow) => sum + flow, 0) / flows.length
    squares += flows.reduce((sum, flow) => sum + (flow / mean - 1) ** 2, 0)
    freedom += flows.length - 1
  }
  return { share: Math.sqrt(squares / freedom), settings: repeated.length }
}
