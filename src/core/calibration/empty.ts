import type { FanCalibration, MapReading } from '@/core/calibration/schema'

/** A reading about to be taken: what is set, nothing read yet. */
export const emptyReading = (id: string, settingPct: number): MapReading => ({
  id,
  settingPct,
  rpm: null,
  velocityMs: null,
  flowLs: null,
  soundDb: null,
  setAside: false,
  note: '',
})

/** A fan of which nothing is known yet. */
export const emptyCalibration = (fan: string): FanCalibration => ({
  fan,
  startsPct: [],
  stallsPct: [],
  restartMarginPct: 5,
  areaM2: null,
  map: [],
})
