import type { Judge } from '@/core/advise/judgement'

/** An extract with an open-flued appliance in the building, and no spillage test passed yet. */
export const openFlueUnproved: Judge = ({ brief, kit }) =>
  brief.answers?.openFlue === true && kit.mounting?.spillage !== 'yes'
    ? [
        {
          id: 'open-flue-unproved',
          severity: 'hurts',
          path: 'brief.answers.openFlue',
          title: 'An open flue, and no spillage test.',
          detail:
            'Extract can pull its gases into the room. With every extract in the building at full, a certified person tests for spillage; then say so under Kit. Carbon monoxide kills.',
          cure: null,
        },
      ]
    : []
