import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { mountingQuestions } from '@/core/kit/checklist'

/** Each answer under Kit that is not the good one. What nobody has looked at yet is no judgement: it stands open on the list. */
export const wiredOrMountedWrong: Judge = ({ brief, kit }) =>
  mountingQuestions(brief).flatMap(({ id, good, severity, otherwise, cure }) => {
    const answer = kit.mounting?.[id]
    return answer === undefined || answer === good
      ? []
      : [
          {
            id: `mounting-${id}`,
            severity,
            path: `kit.mounting.${id}`,
            says: says('mounting', { otherwise, cure }),
            cure: null,
          },
        ]
  })
