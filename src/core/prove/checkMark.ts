import { canonicalJson } from '@/core/json/canonical'
import type { Check } from '@/core/prove/check'
import { measuredOf, type ProveContext } from '@/core/prove/context'
import { fansAfter } from '@/core/prove/expect'
import { fnv1a, givenMark } from '@/core/prove/givenMark'

/** Where along an input’s range a check is looked at, beside the places it asks for: what was really read may lie there. */
const SHARES = [0, 0.125, 0.25, 0.375, 0.5, 0.625, 0.75, 0.875, 1] as const

/** What the fans give at every step of a check, as asked for and along the whole range of what is read there. */
function givenAlong(context: ProveContext, check: Extract<Check, { kind: 'speed' }>): number[][] {
  return check.steps.flatMap(({ stage, reads }) => {
    const stages = check.stages.slice(0, stage + 1)
    const last = stages.at(-1)!
    const moments = reads.flatMap((id) => {
      const input = measuredOf(context, id)
      return input
        ? SHARES.map((share) => ({ ...last.values, [id]: input.from + (input.to - input.from) * share }))
        : []
    })
    return [last.values, ...moments].map((values) =>
      Array.from(fansAfter(context, [...stages.slice(0, -1), { ...last, values }]), (pct) => Math.round(pct * 10) / 10),
    )
  })
}

const known = new WeakMap<Check, string>()
const wholeMarks = new WeakMap<ProveContext, string>()

function wholeMark(context: ProveContext): string {
  const mark = wholeMarks.get(context) ?? givenMark(context.response)
  wholeMarks.set(context, mark)
  return mark
}

/** A short mark of what one check proves: what is done, what should come of it, and at which controller. A change of the response that this check
 *  does not see leaves it as it is. What a person looks at hangs on everything that is given. */
export function checkMark(context: ProveContext, check: Check): string {
  const before = known.get(check)
  if (before !== undefined) return before
  const { kit } = context.installation
  const { says: _says, measure: _measure, note: _note, ...done } = check
  const isByPerson = check.kind === 'seen' && check.look.kind === 'person'
  const output = check.kind === 'seen' && check.look.kind === 'output' ? check.look.id : null
  const mark = fnv1a(
    canonicalJson({
      ...done,
      // A lost reading is no figure.
      stages: check.stages.map(({ values, ...stage }) => ({
        ...stage,
        values: Object.entries(values).map(([id, x]) => [id, Number.isNaN(x) ? 'lost' : x]),
      })),
      controller: kit.controller?.id ?? null,
      fans: context.machine.fanIds,
      ...(check.kind === 'speed' && { gives: givenAlong(context, check) }),
      ...(output !== null && { output: context.response.otherOutputs?.find(({ id }) => id === output) ?? null }),
      ...(isByPerson && { given: wholeMark(context) }),
    }),
  )
  known.set(check, mark)
  return mark
}

/** Whether a result speaks of a check as it is now. Before checks had marks of their own, the whole response had one. */
export const speaksOf = (context: ProveContext, check: Check, { given }: { readonly given: string }): boolean =>
  given === checkMark(context, check) || given === wholeMark(context)
