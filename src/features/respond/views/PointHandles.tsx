'use client'

import { clamp } from '@/core/json/clamp'
import { formatPct, formatQuantity } from '@/core/quantity/format'
import type { Differential } from '@/core/rules/differential'
import type { MeasuredInput } from '@/core/rules/input'
import type { Ramp } from '@/core/rules/ramp'
import { inputCause } from '@/core/rules/sentence'
import { DragHandle, snapped } from '@/features/respond/views/DragHandle'
import type { Scale } from '@/features/respond/views/Plot'
import { settingStep } from '@/features/respond/views/settingStep'
import { causeVar } from '@/ui/cause'
import { usePreference } from '@/ui/preference'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const NO_STEP = { x: 0.5, pct: 1 }

/** Both ends of a ramp. A ramp keeps a span: a handle stops one step short of the other end. */
export function RampHandles({ scale, ramp, input }: { scale: Scale; ramp: Ramp; input: MeasuredInput }) {
  const { controller } = usePart('kit')
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  return (['start', 'full'] as const).map((end) => {
    const isStart = end === 'start'
    const [x, pct] = isStart ? [ramp.startAt, ramp.fromPct] : [ramp.fullAt, ramp.toPct]
    const stepX = settingStep(controller, isStart ? 'ramp.startAt' : 'ramp.span', input) ?? NO_STEP.x
    const stepPct = settingStep(controller, isStart ? 'floor' : 'ceiling', input) ?? NO_STEP.pct
    return (
      <DragHandle
        key={end}
        scale={scale}
        name={`${input.name} ramp, ${end}`}
        at={{ x, y: pct }}
        wording={`${formatQuantity(x, input.kind, preference)}, ${formatPct(pct, preference)} %`}
        range={[input.from, input.to]}
        step={{ x: stepX, y: stepPct }}
        colour={causeVar(inputCause(input))}
        onPlace={(wanted, free) => {
          const nextX = clamp(snapped(wanted.x, stepX, free), input.from, input.to)
          const nextPct = clamp(snapped(wanted.y, stepPct, free), 0, 100)
          const other = isStart ? ramp.fullAt : ramp.startAt
          const keepsLow = isStart === ramp.fullAt > ramp.startAt
          const heldX = keepsLow ? Math.min(nextX, other - stepX) : Math.max(nextX, other + stepX)
          edit(
            `${input.name} ramp`,
            ({ response }) => {
              const rule = response.rules.find(({ id }) => id === ramp.id)
              if (!rule) return
              if (isStart) Object.assign(rule, { startAt: heldX, fromPct: nextPct })
              else Object.assign(rule, { fullAt: heldX, toPct: nextPct })
            },
            `handle-${ramp.id}-${end}`,
          )
        }}
      />
    )
  })
}

/** Where a differential comes on and where it goes off, at its speed; the two never pass each other. */
export function DifferentialHandles({
  scale,
  rule,
  input,
}: {
  scale: Scale
  rule: Differential
  input: MeasuredInput
}) {
  const { controller } = usePart('kit')
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  return (['onAt', 'offAt'] as const).map((end) => {
    const stepX =
      settingStep(controller, end === 'onAt' ? 'differential.setPoint' : 'differential.width', input) ?? NO_STEP.x
    const stepPct = settingStep(controller, 'differential.speedPct', input) ?? NO_STEP.pct
    const wording = end === 'onAt' ? 'on at' : 'off at'
    return (
      <DragHandle
        key={end}
        scale={scale}
        name={`${input.name}, ${wording}`}
        at={{ x: rule[end], y: rule.speedPct }}
        wording={`${wording} ${formatQuantity(rule[end], input.kind, preference)}, ${formatPct(rule.speedPct, preference)} %`}
        range={[input.from, input.to]}
        step={{ x: stepX, y: stepPct }}
        colour={causeVar(inputCause(input))}
        onPlace={(wanted, free) => {
          const nextX = clamp(snapped(wanted.x, stepX, free), input.from, input.to)
          const isUpper = (end === 'onAt') === (rule.action === 'direct')
          const other = end === 'onAt' ? rule.offAt : rule.onAt
          const heldX = isUpper ? Math.max(nextX, other) : Math.min(nextX, other)
          const nextPct = clamp(snapped(wanted.y, stepPct, free), 0, 100)
          edit(
            `${input.name} on/off`,
            ({ response }) => {
              const held = response.rules.find(({ id }) => id === rule.id)
              if (held) Object.assign(held, { [end]: heldX, speedPct: nextPct })
            },
            `handle-${rule.id}-${end}`,
          )
        }}
      />
    )
  })
}
