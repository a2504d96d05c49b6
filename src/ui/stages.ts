import type { GatePart } from '@/core/record/gate'
import type { OpenItem } from '@/core/record/stillOpen'

/** The eight stages, in the order of the work. */
export const STAGES = [
  { id: 'brief', name: 'Brief', about: 'what the space needs: bands to hold, limits, the least air, who said so.' },
  {
    id: 'kit',
    name: 'Kit',
    about: 'controller, fans and probes as they are fitted, and how they are wired and mounted.',
  },
  {
    id: 'calibrate',
    name: 'Calibrate',
    about: 'what each setting really gives: where the fan starts and stops, and the flow at some speeds.',
  },
  {
    id: 'respond',
    name: 'Respond',
    about: 'the rules: lowest and highest speed, what temperature, humidity, switches and the clock do to it.',
  },
  {
    id: 'rehearse',
    name: 'Rehearse',
    about: 'a day played through before anything is set: what it holds, what it costs.',
  },
  {
    id: 'dial-in',
    name: 'Dial in',
    about: 'what to press at this controller, one action at a time, and what it will show.',
  },
  { id: 'prove', name: 'Prove', about: 'readings against what they should be, each with its allowed error.' },
  { id: 'hand-over', name: 'Hand over', about: 'what is still open, the seal with its reason, record, card and log.' },
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
