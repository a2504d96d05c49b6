import type { Installation } from '@/core/installation/installation'
import { builtInScenarios } from '@/core/scenario/builtIn'
import type { Scenario } from '@/core/scenario/schema'
import type { Space } from '@/core/space/schema'

/** Steps of a rehearsal of so many days, s: fine for days, a minute for a season. */
export const usualStepS = (days: number): number => (days > 14 ? 60 : 10)

/** The days there are for an installation: those built in, of so many days, and its own after them. */
export const daysOf = (
  { brief, response, scenarios = [] }: Pick<Installation, 'brief' | 'response' | 'scenarios'>,
  { probes }: Pick<Space, 'probes'>,
  days: number,
): Scenario[] => [
  ...builtInScenarios({ duty: brief.duty, probe: probes[0]?.input ?? null, fan: response.lead }, days),
  ...scenarios,
]
