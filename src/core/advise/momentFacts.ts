import type { Moment, Where } from '@/core/advise/reach'
import type { MomentFact } from '@/core/advise/words'
import { inputQuantity, isMeasured } from '@/core/rules/input'

/** What distinguishes a moment from another; empty where nothing does. */
export const momentFacts = ({ machine }: Where, moment: Moment, other: Moment): MomentFact[] =>
  Object.entries(moment).flatMap(([id, x]): MomentFact[] => {
    if (Object.is(x, other[id])) return []
    if (id === 'clock') return [{ kind: 'clock', minute: Math.round(x / 60) }]
    if (id === 'date') return [{ kind: 'date', date: x }]
    const input = machine.response.inputs.find((candidate) => candidate.id === id)
    if (!input) return []
    const { name } = input
    if (!isMeasured(input)) return [{ kind: 'switch', name, isOn: x >= 0.5 }]
    return [Number.isNaN(x) ? { kind: 'lost', name } : { kind: 'reading', name, x, quantity: inputQuantity(input) }]
  })
