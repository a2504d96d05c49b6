import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import type { Duty } from '@/core/brief/duty'

const MIN_S = 60

/** Longest run-on (of everything, when nothing asks any more) that is usual, by duty (s); common practice, no source. Where none is, the duty
 *  has times of its own: a contact that is on as long as air is wanted, a probe that says so. */
const USUAL_S: Record<Duty, number> = {
  extract: 30 * MIN_S,
  exhaust: 30 * MIN_S,
  'head-pressure': 2 * MIN_S,
  livestock: 5 * MIN_S,
  'grow-room': 15 * MIN_S,
  'stove-flue': 2 * 60 * MIN_S,
  balanced: 30 * MIN_S,
  'door-curtain': 5 * MIN_S,
  electronics: 10 * MIN_S,
}

/** A run-on longer than its duty knows, or one that is added to the overrun of a switch: mostly set for a test and forgotten, so that the fan
 *  is found running at night. */
export const runOnLeftOver: Judge = ({ brief, response }) => {
  const { finalRunOn, rules } = response
  if (!finalRunOn || finalRunOn.holdS === 0) return []
  const usualS = USUAL_S[brief.duty]
  const overrun = rules.find((rule) => !rule.off && 'overrun' in rule && rule.overrun.kind !== 'none')
  const isLong = finalRunOn.holdS > usualS
  if (!isLong && !overrun) return []
  return [
    {
      id: 'run-on-left-over',
      severity: 'wears',
      path: 'response.finalRunOn',
      says: says('run-on-left-over', { holdS: finalRunOn.holdS, usualS }),
      figure: { value: finalRunOn.holdS, worse: 1, step: 60 },
      cure: null,
    },
  ]
}
