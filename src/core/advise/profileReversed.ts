import type { Judge, Judgement } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
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
          says: says('profile-reversed', { summer: String(summer), winter: String(winter) }),
          cure,
        }
      : {
          id: 'cool-in-winter',
          severity: 'fails',
          path: 'brief.answers.winterProfile',
          says: says('cool-in-winter'),
          cure,
        },
  ]
}
