import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { driveProblems } from '@/core/kit/rankModels'

/** A fan that wants another signal, a motor that may not be phase-cut, a fan with no output left. */
export const cannotDrive: Judge = ({ kit, response }) =>
  (kit.controller ? driveProblems(response, kit, kit.controller) : []).map((problem) => ({
    id: `cannot-drive-${problem.kind}-${problem.fanId}`,
    severity: problem.kind === 'motor' ? ('hurts' as const) : ('fails' as const),
    path: `kit.fans.${kit.fans.findIndex(({ id }) => id === problem.fanId)}`,
    says: says('cannot-drive', { problem }),
    cure: null,
  }))
