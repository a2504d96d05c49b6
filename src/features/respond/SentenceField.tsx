'use client'

import type { SentencePart } from '@/core/response/rules/kind'
import type { Overrun, Rule } from '@/core/response/schema'
import { Choice } from '@/ui/Choice'
import { QuantityField } from '@/ui/QuantityField'
import { useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { part: Extract<SentencePart, { kind: 'field' | 'choice' }>; ruleId: string; colour: string }

/** Puts a value at a dotted path inside a rule. */
function put(rule: Rule, path: string, value: number | string): void {
  const keys = path.split('.')
  const last = keys.pop()
  let holder: unknown = rule
  for (const key of keys) holder = (holder as Record<string, unknown>)[key]
  if (last !== undefined) (holder as Record<string, unknown>)[last] = value
}

/** What a newly chosen overrun starts from; common practice, no source: 15 minutes. */
const OVERRUN_STARTS: Record<Overrun['kind'], Overrun> = {
  none: { kind: 'none' },
  fixed: { kind: 'fixed', holdS: 900 },
  matched: { kind: 'matched', factor: 1, floorS: 0, capS: 900 },
}

/** A blank of a sentence, to be typed, turned or chosen. */
export function SentenceField({ part, ruleId, colour }: Props) {
  const edit = useWorkingCopy((state) => state.edit)
  const endGesture = useWorkingCopy((state) => state.endGesture)
  const change = (value: number | string) =>
    edit(
      part.label,
      ({ response }) => {
        const rule = response.rules.find(({ id }) => id === ruleId)
        if (!rule) return
        if (part.path === 'overrun.kind' && rule.kind === 'switch')
          rule.overrun = OVERRUN_STARTS[value as Overrun['kind']]
        else put(rule, part.path, value)
      },
      `${ruleId}.${part.path}`,
    )
  if (part.kind === 'choice')
    return (
      <Choice
        label={part.label}
        value={part.value}
        options={part.options}
        colour={colour}
        onChange={(value) => {
          change(value)
          endGesture()
        }}
      />
    )
  return (
    <QuantityField
      label={part.label}
      quantity={part.quantity}
      value={part.value}
      onChange={change}
      onDone={endGesture}
      colour={colour}
    />
  )
}
