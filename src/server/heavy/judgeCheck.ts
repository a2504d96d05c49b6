import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { checkMark } from '@/core/prove/checkMark'
import { planFor } from '@/core/prove/plan'
import type { CheckReading } from '@/core/prove/reading'
import { judge, type Verdict } from '@/core/prove/verdict'

/** A reading judged against a document, with the mark of what it was judged against; null where the document has no such check. */
export function judgeCheck(
  document: Installation,
  checkId: string,
  reading: CheckReading,
): (Verdict & { readonly given: string }) | null {
  const planned = planFor(document, derive(document))
  const check = planned?.plan.find(({ id }) => id === checkId)
  if (!planned || !check || (reading.kind !== 'not-possible' && check.kind !== reading.kind)) return null
  return { ...judge(planned.context, check, reading), given: checkMark(planned.context, check) }
}
