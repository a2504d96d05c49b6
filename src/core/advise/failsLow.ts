import type { Duty } from '@/core/brief/duty'
import type { Judge } from '@/core/advise/judgement'
import { isMeasured } from '@/core/response/rules/kind'

/** Duties that want full air when nobody knows how warm it is: trade.md section 3, holds. */
const NEEDS_FULL: ReadonlySet<Duty> = new Set(['livestock', 'head-pressure', 'electronics'])
const LOW = ['floor', 'off', 'nothing'] as const

/** A controller that goes to little or no air when a probe is lost, where the duty needs air. */
export const failsLow: Judge = ({ brief, kit, response }) => {
  const lost = kit.controller?.abilities?.lost
  if (!NEEDS_FULL.has(brief.duty) || !response.inputs.some(isMeasured)) return []
  const low = LOW.find((kind) => kind === lost)
  if (!low) return []
  return [
    {
      id: 'fails-low',
      severity: 'hurts',
      path: 'kit.controller',
      title: 'With a probe lost it fails low.',
      detail: `This controller then ${{ floor: 'falls back to its lowest speed', off: 'stops the fan', nothing: 'simply stops asking' }[low]}, and this duty needs full air. Choose another, raise the floor to what protects, or put an independent thermostat beside it.`,
      cure: null,
    },
  ]
}
