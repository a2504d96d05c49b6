import type { Installation } from '@/core/installation/installation'
import type { OpenItem } from '@/core/record/stillOpen'

/** The parts of a job that a seal looks through, in the order of the work. */
export const GATE_PARTS = ['brief', 'kit', 'calibrate', 'respond', 'dial-in', 'prove', 'people'] as const
export type GatePart = (typeof GATE_PARTS)[number]

export type GateRow = {
  readonly part: GatePart
  readonly open: readonly OpenItem[]
  /** What somebody read and left as it is, with why. */
  readonly accepted: readonly string[]
}

/** Which part of the job something open belongs to. */
export function partOf({ kind, key }: OpenItem): GatePart {
  switch (kind) {
    case 'danger':
    case 'warning':
      return 'respond'
    case 'action':
      return 'dial-in'
    case 'check':
      return 'prove'
    case 'told':
      return 'people'
    case 'question':
      return key.startsWith('brief-') ? 'brief' : key.startsWith('calibrate-') ? 'calibrate' : 'kit'
  }
}

/** The whole job, a row a part, with what is open in each. */
export const gate = ({ dismissed = [] }: Pick<Installation, 'dismissed'>, open: readonly OpenItem[]): GateRow[] =>
  GATE_PARTS.map((part) => ({
    part,
    open: open.filter((item) => partOf(item) === part),
    accepted: part === 'respond' ? dismissed.map(({ text, reason }) => `${text} Left as it is: ${reason}`) : [],
  }))
