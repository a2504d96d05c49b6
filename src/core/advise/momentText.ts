import type { Moment, Where } from '@/core/advise/reach'
import { clockText } from '@/core/quantity/clock'
import { formatQuantity } from '@/core/quantity/format'
import { inputQuantity, isMeasured } from '@/core/rules/input'
import { daysText } from '@/core/rules/week'

/** What distinguishes a moment from another, in words: “with outdoor temperature at −10.0 °C and boost button on”. Empty where nothing does. */
export function momentText({ machine }: Where, moment: Moment, other: Moment): string {
  const said = Object.entries(moment).flatMap(([id, x]) => {
    if (Object.is(x, other[id])) return []
    if (id === 'clock') {
      const minute = Math.round(x / 60)
      return [`at ${daysText([Math.floor(minute / 1440) % 7])} ${clockText(minute % 1440)}`]
    }
    const input = machine.response.inputs.find((candidate) => candidate.id === id)
    if (!input) return []
    if (!isMeasured(input)) return [`${input.name} ${x >= 0.5 ? 'on' : 'off'}`]
    return [Number.isNaN(x) ? `${input.name} lost` : `${input.name} at ${formatQuantity(x, inputQuantity(input))}`]
  })
  return said.length === 0
    ? ''
    : `with ${said.length > 1 ? `${said.slice(0, -1).join(', ')} and ${said.at(-1)}` : said[0]}`
}
