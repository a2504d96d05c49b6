import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { gradeEvidence } from '@/core/calibration/evidence'

/** A flow that must never be undercut, resting on a map that cannot carry a verdict. */
export const evidenceWeak: Judge = ({ brief, calibration }, { lead }) => {
  if (!brief.requiredFlow || lead?.flow?.kind !== 'map') return []
  const { grade } = gradeEvidence(lead.flow.map, calibration.instruments ?? [])
  if (grade !== 'weak') return []
  return [
    {
      id: 'evidence-weak',
      severity: 'know',
      path: 'calibration',
      says: says('evidence-weak', { flowLs: brief.requiredFlow.flowLs }),
      cure: null,
    },
  ]
}
