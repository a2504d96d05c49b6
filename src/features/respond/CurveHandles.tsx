'use client'

import { useRef } from 'react'
import { clamp } from '@/core/clamp'
import { formatPct, formatQuantity } from '@/core/quantity/format'
import type { MeasuredInput, Ramp } from '@/core/response/schema'
import { settingStep } from '@/features/respond/settingStep'
import { causeVar, inputCause } from '@/ui/cause'
import { usePreference } from '@/ui/preference'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

/** The rectangle inside the axes, in pixels of the chart. */
export type PlotArea = { readonly x: number; readonly y: number; readonly width: number; readonly height: number }

type Props = { plot: PlotArea; input: MeasuredInput; ramps: readonly Ramp[]; nowX: number; nowPct: number | null }

/** Handles on both ends of each ramp: mouse, touch and arrow keys. They snap to what the controller can be set to; Alt goes free. */
export function CurveHandles({ plot, input, ramps, nowX, nowPct }: Props) {
  const toX = (x: number) => plot.x + ((x - input.from) / (input.to - input.from)) * plot.width
  const toY = (pct: number) => plot.y + (1 - pct / 100) * plot.height
  const from = (px: number, py: number) => ({
    x: input.from + ((px - plot.x) / plot.width) * (input.to - input.from),
    pct: (1 - (py - plot.y) / plot.height) * 100,
  })
  return (
    <g>
      {nowPct !== null && (
        <circle
          cx={toX(clamp(nowX, input.from, input.to))}
          cy={toY(nowPct)}
          r={5}
          fill="var(--mui-palette-text-primary)"
        />
      )}
      {ramps.flatMap((ramp) =>
        (['start', 'full'] as const).map((end) => (
          <Handle key={`${ramp.id}-${end}`} {...{ ramp, end, input, toX, toY, from }} />
        )),
      )}
    </g>
  )
}

type HandleProps = {
  ramp: Ramp
  end: 'start' | 'full'
  input: MeasuredInput
  toX: (x: number) => number
  toY: (pct: number) => number
  from: (px: number, py: number) => { x: number; pct: number }
}

function Handle({ ramp, end, input, toX, toY, from }: HandleProps) {
  const { kit } = useDocument()
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const endGesture = useWorkingCopy((state) => state.endGesture)
  const svg = useRef<SVGCircleElement>(null)
  const x = end === 'start' ? ramp.startAt : ramp.fullAt
  const pct = end === 'start' ? ramp.fromPct : ramp.toPct
  const stepX = settingStep(kit.controller, end === 'start' ? 'ramp.startAt' : 'ramp.span', input) ?? 0.5
  const stepPct = settingStep(kit.controller, end === 'start' ? 'floor' : 'ceiling', input) ?? 1

  function place(wanted: { x: number; pct: number }, free: boolean): void {
    const snap = (value: number, step: number) =>
      Number((free ? Math.round(value * 10) / 10 : Math.round(value / step) * step).toFixed(4))
    const nextX = clamp(snap(wanted.x, stepX), input.from, input.to)
    const nextPct = clamp(snap(wanted.pct, stepPct), 0, 100)
    const other = end === 'start' ? ramp.fullAt : ramp.startAt
    // A ramp keeps a span: a handle stops one step short of the other end.
    const rising = ramp.fullAt > ramp.startAt
    const keepsLow = (end === 'start') === rising
    const heldX = keepsLow ? Math.min(nextX, other - stepX) : Math.max(nextX, other + stepX)
    edit(
      `${input.name} ramp`,
      (draft) => {
        const rule = draft.response.rules.find(({ id }) => id === ramp.id)
        if (rule?.kind !== 'ramp') return
        if (end === 'start') Object.assign(rule, { startAt: heldX, fromPct: nextPct })
        else Object.assign(rule, { fullAt: heldX, toPct: nextPct })
      },
      `handle-${ramp.id}-${end}`,
    )
  }

  const name = `${input.name} ramp, ${end === 'start' ? 'start' : 'full'}`
  return (
    <circle
      ref={svg}
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuemin={input.from}
      aria-valuemax={input.to}
      aria-valuenow={x}
      aria-valuetext={`${formatQuantity(x, input.kind, preference)}, ${formatPct(pct)} %`}
      cx={toX(x)}
      cy={toY(pct)}
      r={9}
      fill="var(--mui-palette-ground-sheet)"
      stroke={causeVar(inputCause(input))}
      strokeWidth={3.5}
      style={{ cursor: 'grab', touchAction: 'none', pointerEvents: 'auto' }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        event.currentTarget.focus()
        event.preventDefault()
      }}
      onPointerMove={(event) => {
        if (!event.currentTarget.hasPointerCapture(event.pointerId)) return
        const box = svg.current?.ownerSVGElement?.getBoundingClientRect()
        if (box) place(from(event.clientX - box.left, event.clientY - box.top), event.altKey)
      }}
      onPointerUp={endGesture}
      onBlur={endGesture}
      onKeyDown={(event) => {
        const by = { ArrowLeft: [-stepX, 0], ArrowRight: [stepX, 0], ArrowUp: [0, stepPct], ArrowDown: [0, -stepPct] }[
          event.key
        ]
        if (!by) return
        event.preventDefault()
        place({ x: x + by[0]!, pct: pct + by[1]! }, false)
      }}
    />
  )
}
