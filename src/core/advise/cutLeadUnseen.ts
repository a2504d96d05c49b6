import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { roleOf } from '@/core/duty/role'
import { isMeasured, type Role } from '@/core/rules/input'

/** Contacts that must speak when their lead is cut. */
const MUST_SPEAK: ReadonlySet<Role> = new Set(['safety-stop', 'alarm'])

/** A stop or an alarm by a contact that closes: with its lead cut it never comes. Only what was said of the contact counts. Common practice, no
 *  source: such contacts open. */
export const cutLeadUnseen: Judge = ({ brief, response }) =>
  response.inputs.flatMap((input, index) =>
    isMeasured(input) || input.contact !== 'closes' || !MUST_SPEAK.has(roleOf(input, { brief, response }))
      ? []
      : [
          {
            id: `cut-lead-${input.id}`,
            severity: 'fails' as const,
            path: `response.inputs.${index}`,
            says: says('cut-lead', { input: input.name }),
            cure: null,
          },
        ],
  )
