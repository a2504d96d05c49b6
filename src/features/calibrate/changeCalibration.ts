import type { FanCalibration } from '@/core/calibration/schema'

/** Changes what is calibrated of the fan that is chosen; changes of one key are undone together. */
export type ChangeCalibration = (label: string, recipe: (held: FanCalibration) => void, key?: string) => void
