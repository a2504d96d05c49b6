import type { Judge } from '@/core/advise/judgement'
import { driveProblems, driveText } from '@/core/kit/rankModels'

/** A fan that wants another signal, a motor that may not be phase-cut, a fan with no output left. */
export const cannotDrive: Judge = ({ kit, response }) =>
  (kit.controller ? driveProblems(response, kit, kit.controller) : []).map((problem) => ({
    id: `cannot-drive-${problem.kind}-${problem.fanId}`,
    severity: problem.kind === 'motor' ? ('hurts' as const) : ('fails' as const),
    path: `kit.fans.${kit.fans.findIndex(({ id }) => id === problem.fanId)}`,
    title: driveText(problem),
    detail:
      problem.kind === 'motor'
        ? 'It overheats or burns out slowly. Choose a controller with another output, or another fan.'
        : 'Choose a controller with such an output, or correct what the fan takes.',
    cure: null,
  }))
