/** What a rehearsal is measured by. */
export const MEASURE_IDS = [
  'hottest',
  'past-limit',
  'above-band',
  'below-band',
  'coldest',
  'limit-after',
  'dampest',
  'damp-past-limit',
  'above-damp',
  'below-damp',
  'surface-water',
  'suction-lost',
  'without-air',
  'lowest-flow',
  'short-of-air',
  'starts',
  'changes',
  'night-sound',
  'night-over',
  'energy',
  'heat-out',
  'heating',
  'head-low',
  'trips',
  'spill',
  'floor-missed',
  'stale',
] as const
export type MeasureId = (typeof MEASURE_IDS)[number]

export const MEASURE_UNITS = ['temperature', 'humidity', 's', 'count', 'sound', 'flow', 'kWh', 'ppm'] as const
export type MeasureUnit = (typeof MEASURE_UNITS)[number]

/** Whether a measure keeps what the brief asks; `wear` where nothing asks but things wear or people are annoyed. */
export const VERDICTS = ['pass', 'fail', 'wear', 'none'] as const
export type MeasureVerdict = (typeof VERDICTS)[number]
