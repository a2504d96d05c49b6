import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import type { Condition } from '@/core/response/schema'

type Past = Extract<Condition, { kind: 'input' }>
const isPast = (condition: Condition): condition is Past => condition.kind === 'input'

/** A bypass whose condition to open and whose block leave no temperature at which it may act: on one input, open above, blocked below a
 *  higher point; or a block at a point the input never reaches, which then never blocks. */
export const bypassNeverActs: Judge = ({ response }) =>
  (response.otherOutputs ?? []).flatMap((output, index) => {
    if (output.kind !== 'bypass') return []
    const opens = output.onWhen.filter(isPast)
    return output.notWhile.filter(isPast).flatMap((block) => {
      const input = response.inputs.find(({ id }) => id === block.input)
      if (!input || input.kind === 'switch') return []
      const never = opens.find(
        (open) =>
          open.input === block.input &&
          open.when === block.when &&
          (block.when === 'at-or-below' ? block.at >= open.at : block.at <= open.at),
      )
      const idle = block.when === 'at-or-below' ? block.at < input.from : block.at > input.to
      if (!never && !idle) return []
      return [
        {
          id: `bypass-${never ? 'never-acts' : 'never-blocks'}-${output.id}`,
          severity: 'fails' as const,
          path: `response.otherOutputs.${index}`,
          says: never
            ? says('bypass-never-acts', {
                name: output.name,
                input: input.name,
                kind: input.kind,
                opensAt: never.at,
                blockedAt: block.at,
              })
            : says('bypass-never-blocks', {
                name: output.name,
                input: input.name,
                kind: input.kind,
                blockedAt: block.at,
              }),
          cure: null,
        },
      ]
    })
  })
