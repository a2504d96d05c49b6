import type { Judge } from '@/core/advise/judgement'
import { gradeEvidence } from '@/core/calibration/evidence'
import { formatQuantity } from '@/core/quantity/format'

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
      title: 'The evidence is too weak for a verdict on the required flow.',
      detail: `${formatQuantity(brief.requiredFlow.flowLs, 'flow')} is wanted, and the map rests on one velocity times the area. Traverse the duct or use a hood.`,
      cure: null,
    },
  ]
}
