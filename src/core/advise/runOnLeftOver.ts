import type { Judge } from '@/core/advise/judgement'
import { formatTime } from '@/core/quantity/format'

const LONG_S = 3600

/** A run-on of hours is mostly one that somebody set for a test and forgot: the fan is found running at night. */
export const runOnLeftOver: Judge = ({ response }) =>
  response.runOn && response.runOn.holdS > LONG_S
    ? [
        {
          id: 'run-on-left-over',
          severity: 'wears',
          path: 'response.runOn',
          title: `It runs on for ${formatTime(response.runOn.holdS)} after everything stopped asking.`,
          detail: 'Left over from a test? Minutes are usual.',
          cure: null,
        },
      ]
    : []
