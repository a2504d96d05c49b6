import type { Judge } from '@/core/advise/judgement'
import { answerReader } from '@/core/duty/plan'
import { balanced, PROFILES } from '@/core/duty/balanced'

/** Warm in summer and cool in winter is the two profiles the wrong way round. */
export const profileReversed: Judge = ({ brief }) => {
  if (brief.duty !== 'balanced') return []
  const answers = answerReader(balanced, brief)
  const [winter, summer] = [answers.choice('winterProfile'), answers.choice('summerProfile')]
  const warmth = (profile: string | null) => PROFILES.findIndex(([id]) => id === profile)
  if (winter === null || summer === null || warmth(summer) <= warmth(winter)) return []
  return [
    {
      id: 'profile-reversed',
      severity: 'fails',
      path: 'brief.answers.summerProfile',
      title: 'The season profiles are reversed.',
      detail: `It keeps ${summer} in summer and ${winter} in winter: it holds heat when it should shed it, and sheds it when it should hold it.`,
      cure: {
        label: 'Swap them',
        apply: (installation) => ({
          ...installation,
          brief: {
            ...installation.brief,
            answers: { ...installation.brief.answers, winterProfile: summer, summerProfile: winter },
          },
        }),
      },
    },
  ]
}
