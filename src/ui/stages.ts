import type { GatePart } from '@/core/record/gate'
import type { OpenItem } from '@/core/record/stillOpen'

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

/** What is open in a part of the job is mended there. */
export const STAGE_OF: Readonly<Record<GatePart, StageId>> = {
  brief: 'brief',
  kit: 'kit',
  calibrate: 'calibrate',
  respond: 'respond',
  'dial-in': 'dial-in',
  prove: 'prove',
  people: 'hand-over',
}

/** Where on its page something open stands, as the end of an address. */
export function openPlace({ kind, key }: OpenItem): string {
  switch (kind) {
    case 'question':
      return /^(brief|mounting)-/.test(key) ? `#${key}` : ''
    case 'danger':
    case 'warning':
      return `#judgement-${key}`
    case 'action':
    case 'check':
      return `#${kind}-${key}`
    case 'told':
      return '#told'
  }
}
