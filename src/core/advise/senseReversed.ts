import { evaluating, type Judgement } from '@/core/advise/judgement'
import { airAt, atRest, principalInputs, rangeOf, with_ } from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import type { Duty } from '@/core/brief/duty'
import { type Severity } from '@/core/json/severity'
import { inputQuantity, type MeasuredInput } from '@/core/rules/input'
import { ruleKind } from '@/core/rules/table'

type Sense = { readonly kind: MeasuredInput['kind']; readonly more: 'high' | 'low'; readonly severity: Severity }

/** Where each duty wants more air, of what it is about. */
const SENSES: Partial<Record<Duty, readonly Sense[]>> = {
  extract: [{ kind: 'humidity', more: 'high', severity: 'fails' }],
  exhaust: [{ kind: 'temperature', more: 'high', severity: 'fails' }],
  'head-pressure': [{ kind: 'temperature', more: 'high', severity: 'hurts' }],
  livestock: [{ kind: 'temperature', more: 'high', severity: 'hurts' }],
  'grow-room': [
    { kind: 'temperature', more: 'high', severity: 'fails' },
    { kind: 'humidity', more: 'high', severity: 'fails' },
  ],
  'stove-flue': [{ kind: 'temperature', more: 'high', severity: 'hurts' }],
  'door-curtain': [{ kind: 'temperature', more: 'low', severity: 'fails' }],
  electronics: [{ kind: 'temperature', more: 'high', severity: 'hurts' }],
}
/** Points of speed by which one end must lie over the other to count. */
const CLEARLY_PCT = 5

/** Less air where the duty wants more: both ends of the range of what it is about, with all else at rest. */
export const senseReversed = evaluating((where, { response }) =>
  (SENSES[where.brief.duty] ?? []).flatMap(({ kind, more, severity }): Judgement[] => {
    const probes = principalInputs(where, kind)
    const [first] = probes
    if (!first) return []
    const [low, high] = rangeOf(where.machine.response, first)
    const [wanted, other] = more === 'high' ? [high, low] : [low, high]
    const rest = atRest(where)
    const [atWanted, atOther] = [wanted, other].map((x) => airAt(where, with_(rest, probes, x)))
    if (atOther! - atWanted! < CLEARLY_PCT) return []
    const index = response.rules.findIndex(
      (rule) => !rule.off && ['level', 'threshold'].includes(ruleKind(rule).trigger),
    )
    return [
      {
        id: `sense-reversed-${kind}`,
        severity,
        path: `response.rules.${Math.max(0, index)}`,
        says: says('sense-reversed', {
          quantity: inputQuantity(first),
          other,
          otherPct: atOther!,
          wanted,
          wantedPct: atWanted!,
        }),
        cure: null,
      },
    ]
  }),
)
