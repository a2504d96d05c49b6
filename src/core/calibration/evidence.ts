import { type FlowMap, flowLsAt } from '@/core/calibration/flowMap'
import type { Instrument } from '@/core/calibration/schema'

const GRADES = ['strong', 'fair', 'weak'] as const
export type Grade = (typeof GRADES)[number]

export const GRADE_REASONS = {
  'velocity-only': ['weak', 'Flow from one velocity times the area: traverse the duct or use a hood.'],
  'no-instrument': ['fair', 'A reading does not say which instrument it was taken with.'],
  'calibration-unknown': ['fair', 'An instrument’s calibration date is not known.'],
  'calibration-old': ['fair', 'An instrument was last calibrated more than a year before the reading.'],
  few: ['fair', 'Fewer than four settings were read.'],
  scatter: ['fair', 'The readings scatter by more than a tenth about the line.'],
} as const satisfies Record<string, readonly [Grade, string]>
type GradeReason = keyof typeof GRADE_REASONS

export type Evidence = { readonly grade: Grade; readonly reasons: readonly GradeReason[] }

const YEAR_MS = 366 * 86400_000

/** How far the flow of a map may be trusted, with every reason against it. Common practice, no source: a year between calibrations. */
export function gradeEvidence(map: FlowMap, instruments: readonly Instrument[]): Evidence {
  const used = map.points.filter(({ setAside }) => !setAside)
  const reasons = new Set<GradeReason>()
  if (used.some(({ reading }) => reading.flowLs === null)) reasons.add('velocity-only')
  if (new Set(used.map(({ reading }) => reading.settingPct)).size < 4) reasons.add('few')
  for (const { reading, flowLs } of used) {
    const instrument = instruments.find(({ id }) => id === reading.instrument)
    if (!instrument) reasons.add('no-instrument')
    else if (instrument.calibratedOn === null || reading.takenOn === undefined) reasons.add('calibration-unknown')
    else if (Date.parse(reading.takenOn) - Date.parse(instrument.calibratedOn) > YEAR_MS) reasons.add('calibration-old')
    const lineLs = flowLsAt(map, reading.settingPct)
    if (lineLs > 0 && Math.abs(flowLs / lineLs - 1) > 0.1) reasons.add('scatter')
  }
  const list = [...reasons]
  const worst = Math.max(0, ...list.map((reason) => GRADES.indexOf(GRADE_REASONS[reason][0])))
  return { grade: GRADES[worst]!, reasons: list }
}
