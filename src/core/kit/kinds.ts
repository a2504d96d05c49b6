export const MOTOR_KINDS = ['shaded-pole', 'capacitor', 'electronic', 'three-phase', 'dc', 'unknown'] as const
export const BEARINGS = ['ball', 'sleeve', 'unknown'] as const
