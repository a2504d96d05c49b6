import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

/** An extract with an open-flued appliance in the building, and no spillage test passed yet. */
export const openFlueUnproved: Judge = ({ brief, kit }) =>
  brief.answers?.openFlue === true && kit.mounting?.spillage !== 'yes'
    ? [
        {
          id: 'open-flue-unproved',
          severity: 'hurts',
          path: 'brief.answers.openFlue',
          says: says('open-flue-unproved'),
          cure: null,
        },
      ]
    : []
