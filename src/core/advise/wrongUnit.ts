import type { Judge } from '@/core/advise/judgement'
import { formatQuantity } from '@/core/quantity/format'
import { ruleName } from '@/core/response/words'

const F = (tempF: number) => ((tempF - 32) * 5) / 9

/** A point far outside what its input can be, that would lie inside as °F; or a width that looks like a difference with 32 added. */
export const wrongUnit: Judge = ({ response }) =>
  response.rules.flatMap((rule, index) => {
    if (rule.off || (rule.kind !== 'ramp' && rule.kind !== 'differential')) return []
    const input = response.inputs.find(({ id }) => id === rule.input)
    if (input?.kind !== 'temperature') return []
    const [first, second] = rule.kind === 'ramp' ? [rule.startAt, rule.fullAt] : [rule.onAt, rule.offAt]
    const isInside = (tempC: number) => tempC >= input.from && tempC <= input.to
    const asF = [first, second].find((tempC) => tempC > input.to && isInside(F(tempC)))
    const width = Math.abs(second - first)
    const without32 = ((width - 32) * 5) / 9
    const said =
      asF !== undefined
        ? `${formatQuantity(asF, 'temperature')} is hotter than this input ever reads; as °F it would be ${formatQuantity(F(asF), 'temperature')}.`
        : rule.kind === 'differential' && without32 > 0 && without32 <= 10
          ? `A width of ${formatQuantity(width, 'temperatureDifference')} looks like ${formatQuantity(without32, 'temperatureDifference')} with 32 added: a difference is only scaled, never shifted.`
          : null
    if (said === null) return []
    return [
      {
        id: `wrong-unit-${rule.id}`,
        severity: 'fails' as const,
        path: `response.rules.${index}`,
        title: `The ${ruleName(response, rule)} may be in the wrong unit.`,
        detail: said,
        cure: null,
      },
    ]
  })
