'use client'

import Box from '@mui/material/Box'
import { memo, useDeferredValue, useEffect, useMemo, useState } from 'react'
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  usePlotArea,
  XAxis,
  YAxis,
} from 'recharts'
import type { Target } from '@/core/brief/schema'
import type { Derived } from '@/core/derive'
import { curveAgainst } from '@/core/response/curve'
import { formatFigure, preferredUnit, type UnitPreference } from '@/core/quantity/format'
import type { MeasuredInput, Ramp } from '@/core/response/schema'
import { CurveHandles, type PlotArea } from '@/features/respond/CurveHandles'
import { ChartHatch, chartFont, HATCH_FILL } from '@/ui/chart'
import { causeVar, inputCause } from '@/ui/cause'
import { useInstant, useTryIt } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

const HEIGHT = 245

/** Speed against one input: asked (dashed) and given (solid), target band, where it will not turn, and handles on the ramps. The handles
 *  lie over the chart and never wait for it: the lines may come a frame after the handle that is being dragged. */
export function ResponseCurve({ input }: { input: MeasuredInput }) {
  const { brief, response } = useDocument()
  const { values } = useTryIt()
  const instant = useInstant()
  const preference = usePreference()
  const derived = useDerived()
  const laterValues = useDeferredValue(values)
  const [plot, setPlot] = useState<PlotArea | null>(null)
  const ramps = response.rules.filter(
    (rule): rule is Ramp => rule.kind === 'ramp' && rule.input === input.id && !rule.off,
  )
  return (
    <Box
      sx={{ position: 'relative', height: HEIGHT, userSelect: 'none' }}
      role="group"
      aria-label={`Speed against ${input.name}`}
    >
      <CurveLines
        input={input}
        derived={derived}
        values={laterValues}
        target={brief.targets.find(({ quantity }) => quantity === input.kind) ?? null}
        preference={preference}
        onPlot={setPlot}
      />
      {plot && (
        <svg width="100%" height={HEIGHT} style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }}>
          <CurveHandles
            plot={plot}
            input={input}
            ramps={ramps}
            nowX={values[input.id] ?? NaN}
            nowPct={instant.given?.evaluation.fans[0]?.speedPct ?? null}
          />
        </svg>
      )}
    </Box>
  )
}

/** Tells where the chart has put its plot, so that the handles can lie over it. */
function ReportPlot({ onPlot }: { onPlot: (plot: PlotArea) => void }) {
  const plot = usePlotArea()
  useEffect(() => {
    if (plot) onPlot({ x: plot.x, y: plot.y, width: plot.width, height: plot.height })
  }, [plot, onPlot])
  return null
}

type LinesProps = {
  input: MeasuredInput
  derived: Derived
  values: Readonly<Record<string, number>>
  target: Target | null
  preference: UnitPreference
  onPlot: (plot: PlotArea) => void
}

const CurveLines = memo(function CurveLines({
  input,
  derived: { asked, given, lead },
  values,
  target,
  preference,
  onPlot,
}: LinesProps) {
  const rows = useMemo(() => {
    if (!asked.machine || !given.machine) return []
    const giving = curveAgainst(given.machine, input, values)
    return curveAgainst(asked.machine, input, values).map(({ x, pct }, index) => ({
      x,
      asked: pct,
      given: giving[index]?.pct ?? null,
    }))
  }, [asked.machine, given.machine, input, values])
  const colour = causeVar(inputCause(input))
  const unit = preferredUnit(input.kind, preference).symbol
  const nowX = values[input.id] ?? NaN
  const startPct = lead?.startPct ?? null
  return (
    <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 780, height: HEIGHT }}>
      <ComposedChart data={rows} margin={{ top: 12, right: 32, bottom: 4, left: -14 }} accessibilityLayer={false}>
        <ChartHatch />
        <CartesianGrid vertical={false} stroke="var(--mui-palette-divider)" />
        <XAxis
          dataKey="x"
          type="number"
          domain={[input.from, input.to]}
          allowDataOverflow
          tickCount={7}
          tick={chartFont}
          stroke="var(--mui-palette-text-secondary)"
          tickFormatter={(x: number) => formatFigure(x, input.kind, preference, 0)}
          unit={` ${unit}`}
        />
        <YAxis type="number" domain={[0, 100]} ticks={[0, 25, 50, 75, 100]} tick={chartFont} stroke="none" />
        {startPct !== null && (
          <ReferenceArea
            y1={0}
            y2={startPct}
            fill={HATCH_FILL}
            fillOpacity={1}
            ifOverflow="hidden"
            label={{ value: 'will not turn', position: 'insideTopRight', ...chartFont }}
          />
        )}
        {target && (
          <ReferenceArea
            x1={Math.max(input.from, target.bandFrom)}
            x2={Math.min(input.to, target.bandTo)}
            fill={colour}
            fillOpacity={0.08}
            ifOverflow="hidden"
            label={{
              value: `target band ${formatFigure(target.bandFrom, input.kind, preference, 0)}–${formatFigure(target.bandTo, input.kind, preference, 0)} ${unit}`,
              position: 'insideTop',
              ...chartFont,
              fill: colour,
            }}
          />
        )}
        {target?.limitAbove != null && target.limitAbove <= input.to && (
          <ReferenceLine
            x={target.limitAbove}
            stroke="var(--mui-palette-error-main)"
            strokeDasharray="2 3"
            label={{ value: 'limit', position: 'insideTopLeft', ...chartFont, fill: 'var(--mui-palette-error-main)' }}
          />
        )}
        <Line
          dataKey="asked"
          type="linear"
          stroke="var(--mui-palette-text-secondary)"
          strokeDasharray="5 4"
          strokeWidth={1.5}
          dot={false}
          isAnimationActive={false}
        />
        <Line
          dataKey="given"
          type="stepAfter"
          stroke="var(--mui-palette-cause-speed)"
          strokeWidth={2.5}
          dot={false}
          isAnimationActive={false}
        />
        <ReferenceLine
          x={nowX}
          stroke="var(--mui-palette-text-primary)"
          label={{
            value: `now ${formatFigure(nowX, input.kind, preference)}`,
            position: 'insideBottomRight',
            ...chartFont,
            fill: 'var(--mui-palette-text-primary)',
          }}
        />
        <ReportPlot onPlot={onPlot} />
      </ComposedChart>
    </ResponsiveContainer>
  )
})
