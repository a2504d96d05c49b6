/** The eight stages, in the order of the work. */
export const STAGES = [
  { id: 'brief', name: 'Brief' },
  { id: 'kit', name: 'Kit' },
  { id: 'calibrate', name: 'Calibrate' },
  { id: 'respond', name: 'Respond' },
  { id: 'rehearse', name: 'Rehearse' },
  { id: 'dial-in', name: 'Dial in' },
  { id: 'prove', name: 'Prove' },
  { id: 'hand-over', name: 'Hand over' },
] as const

export type StageId = (typeof STAGES)[number]['id']

export const stagePath = (installationId: string, stage: StageId): string => `/installation/${installationId}/${stage}`
