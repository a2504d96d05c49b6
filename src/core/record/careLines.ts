import { CAUTIONS } from '@/core/duty/cautions'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import type { Installation } from '@/core/installation/installation'
import { ruleLine, type LocalRule } from '@/core/record/localRule'

/** What every paper says of its own worth. */
const LAST_WORD =
  'Local codes, the maker’s instructions and licensed practice come first. This sheet says what was set and what was read, not that an installation is safe. The person on site decides and signs.'

/** What to take care of: of the duty, of the answers, of the controller, and what the workspace itself asks. */
export function careLines({ brief, kit }: Installation, rules: readonly LocalRule[] = []): string[] {
  const plan = DUTY_PLANS[brief.duty]
  const cautions = [...CAUTIONS[brief.duty], ...plan.follows(answerReader(plan, brief)).cautions]
  return [
    ...cautions.map(({ title, detail }) => `${title} ${detail}`),
    ...(kit.controller?.cautions ?? []),
    ...rules.map(ruleLine),
    LAST_WORD,
  ]
}
