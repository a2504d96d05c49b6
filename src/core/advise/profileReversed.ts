import type { Judge, Judgement } from '@/core/advise/judgement'
import { PROFILES } from '@/core/duty/balanced'

/** Cool in winter sheds the heat that should be held; warm in summer and less in winter is the two profiles the wrong way round. Only what was
 *  answered counts. */
export const profileReversed: Judge = ({ brief }) => {
  if (brief.duty !== 'balanced') return []
  const { winterProfile: winter, summerProfile: summer } = brief.answers ?? {}
  const warmth = (profile: unknown) => PROFILES.findIndex(([id]) => id === profile)
  const isReversed = warmth(winter) >= 0 && warmth(summer) > warmth(winter)
  if (!isReversed && winter !== 'cool') return []
  const cure: Judgement['cure'] = {
    label: isReversed ? 'Swap them' : 'Warm in winter',
    apply: (installation) => ({
      ...installation,
      brief: {
        ...installation.brief,
        answers: {
          ...installation.brief.answers,
          ...(isReversed ? { winterProfile: summer!, summerProfile: winter! } : { winterProfile: 'warm' }),
        },
      },
    }),
  }
  return [
    isReversed
      ? {
          id: 'profile-reversed',
          severity: 'fails',
          path: 'brief.answers.summerProfile',
          title: 'The season profiles are reversed.',
          detail: `It keeps ${String(summer)} in summer and ${String(winter)} in winter: it holds heat when it should shed it, and sheds it when it should hold it.`,
          cure,
        }
      : {
          id: 'cool-in-winter',
          severity: 'fails',
          path: 'brief.answers.winterProfile',
          title: 'The cool profile is left on in winter.',
          detail: 'It sheds heat early: in the cold season that is heat the home has paid for.',
          cure,
        },
  ]
}
