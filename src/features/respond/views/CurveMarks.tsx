'use client'

import { ReferenceArea, ReferenceLine } from 'recharts'
import type { Target } from '@/core/brief/schema'
import { formatFigure, preferredUnit, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import type { MeasuredInput } from '@/core/rules/input'
import { inputCause } from '@/core/rules/sentence'
import { causeVar } from '@/ui/cause'
import { HATCH_FILL } from '@/ui/chart'
import type { Label } from '@/ui/labels/PlacedLabels'
import type { Scale } from '@/features/respond/views/Plot'
import type { Box } from '@/ui/labels/placeLabels'

export type MarksProps = {
  input: MeasuredInput
  skipBands: Response['skipBands']
  ceilingPct: number
  target: Target | null
  startPct: number | null
}

/** What stands behind the lines: where it will not turn, skip bands, the target band and limits. */
export function CurveMarks({ input, skipBands, ceilingPct, target, startPct }: MarksProps) {
  const colour = causeVar(inputCause(input))
  const limit = target?.limitAbove ?? null
  return (
    <>
      {startPct !== null && (
        <ReferenceArea y1={0} y2={startPct} fill={HATCH_FILL} fillOpacity={1} ifOverflow="hidden" />
      )}
      {(skipBands ?? []).map(({ fromPct, toPct }) => (
        <ReferenceArea key={fromPct} y1={fromPct} y2={toPct} fill={HATCH_FILL} fillOpacity={0.8} ifOverflow="hidden" />
      ))}
      {target && (
        <ReferenceArea
          x1={Math.max(input.from, target.bandFrom)}
          x2={Math.min(input.to, target.bandTo)}
          fill={colour}
          fillOpacity={0.08}
          ifOverflow="hidden"
        />
      )}
      {ceilingPct < 100 && (
        <ReferenceLine y={ceilingPct} stroke="var(--mui-palette-text-secondary)" strokeDasharray="1 3" />
      )}
      {limit !== null && limit <= input.to && (
        <ReferenceLine x={limit} stroke="var(--mui-palette-error-main)" strokeDasharray="2 3" />
      )}
    </>
  )
}

const ERROR = 'var(--mui-palette-error-main)'
const STROKE_PX = 3
const LANE = ['above', 'above right', 'above left'] as const
const ALONG = ['below left', 'above left'] as const

/** What is written at the marks: target and limit in the lane above the plot, the rest at places on it; and the lines among them. */
export function markLabels(
  { input, skipBands, ceilingPct, target, startPct }: MarksProps,
  { toX, toY, plot }: Scale,
  preference: UnitPreference,
): { readonly above: readonly Label[]; readonly labels: readonly Label[]; readonly lines: readonly Box[] } {
  const right = plot.x + plot.width
  const limit = target?.limitAbove ?? null
  const figure = (value: number) => formatFigure(value, input.kind, preference, 0)
  const hasLimit = limit !== null && limit <= input.to
  const above: Label[] = [
    ...(hasLimit ? [{ text: `limit ${figure(limit)}`, x: toX(limit), y: plot.y, sides: LANE, fill: ERROR }] : []),
    ...(target
      ? [
          {
            text: `target ${figure(target.bandFrom)}–${figure(target.bandTo)} ${preferredUnit(input.kind, preference).symbol}`,
            x: toX((Math.max(input.from, target.bandFrom) + Math.min(input.to, target.bandTo)) / 2),
            y: plot.y,
            sides: LANE,
            fill: causeVar(inputCause(input)),
          },
        ]
      : []),
  ]
  const labels: Label[] = [
    ...(ceilingPct < 100 ? [{ text: 'ceiling', x: right, y: toY(ceilingPct), sides: ALONG }] : []),
    ...(startPct !== null ? [{ text: 'will not turn', x: right, y: toY(startPct), sides: ALONG }] : []),
    ...(skipBands ?? []).map(({ toPct }) => ({
      text: 'skip band, passed over',
      x: right,
      y: toY(toPct),
      sides: ALONG,
    })),
  ]
  const lines = [
    ...(hasLimit ? [{ x: toX(limit) - 1, y: plot.y, width: STROKE_PX, height: plot.height }] : []),
    ...(ceilingPct < 100 ? [{ x: plot.x, y: toY(ceilingPct) - 1, width: plot.width, height: STROKE_PX }] : []),
  ]
  return { above, labels, lines }
}
