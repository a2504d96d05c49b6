'use client'

import Box from '@mui/material/Box'
import { memo, useEffect, useState, type ReactNode } from 'react'
import { CartesianGrid, ComposedChart, usePlotArea, XAxis, YAxis } from 'recharts'
import { ChartFrame } from '@/ui/ChartFrame'
import { ChartHatch, chartFont } from '@/ui/chart'

/** The rectangle inside the axes, in pixels of the chart. */
export type PlotArea = { readonly x: number; readonly y: number; readonly width: number; readonly height: number }

export type Axis = {
  readonly from: number
  readonly to: number
  readonly format?: (value: number) => string
  readonly unit?: string
  readonly ticks?: readonly number[]
  readonly label?: string
}

/** From figures to pixels of the chart and back. */
export type Scale = {
  readonly plot: PlotArea
  readonly toX: (x: number) => number
  readonly toY: (y: number) => number
  readonly fromX: (px: number) => number
  readonly fromY: (py: number) => number
}

const scaleOf = (plot: PlotArea, x: Axis, y: Axis): Scale => ({
  plot,
  toX: (value) => plot.x + ((value - x.from) / (x.to - x.from)) * plot.width,
  toY: (value) => plot.y + (1 - (value - y.from) / (y.to - y.from)) * plot.height,
  fromX: (px) => x.from + ((px - plot.x) / plot.width) * (x.to - x.from),
  fromY: (py) => y.from + (1 - (py - plot.y) / plot.height) * (y.to - y.from),
})

/** Room above the plot, where the unit of the axis upwards stands. */
const TOP_PX = 18
const UNIT_PX = 24

/** The rest of that room, for what is written above a plot. */
export const laneAbove = ({ x, y, width }: PlotArea): PlotArea => ({
  x: x + UNIT_PX,
  y: y - TOP_PX + 2,
  width: width - UNIT_PX,
  height: TOP_PX - 4,
})

type Props = {
  label: string
  height?: number
  rows: readonly object[]
  x: Axis
  y: Axis
  /** What lies over the chart and never waits for it: handles, pointers, fills. */
  overlay?: (scale: Scale) => ReactNode
  /** Lines and areas of the chart, memoised by who makes them. */
  children?: ReactNode
}

/** A chart with one x and one y axis in the type of the house, and a layer over it in the same figures. */
export function Plot({ label, height = 245, rows, x, y, overlay, children }: Props) {
  const [plot, setPlot] = useState<PlotArea | null>(null)
  return (
    <Box sx={{ position: 'relative', height, userSelect: 'none', overflow: 'hidden' }} role="group" aria-label={label}>
      <Frame {...{ height, rows, x, y, onPlot: setPlot }}>{children}</Frame>
      {plot && (overlay || y.unit) && (
        <svg width="100%" height={height} style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }}>
          {overlay?.(scaleOf(plot, x, y))}
          <text x={plot.x + 4} y={TOP_PX - 6} style={chartFont}>
            {y.unit}
          </text>
        </svg>
      )}
    </Box>
  )
}

/** Tells where the chart has put its plot. */
function ReportPlot({ onPlot }: { onPlot: (plot: PlotArea) => void }) {
  const plot = usePlotArea()
  useEffect(() => {
    if (plot) onPlot({ x: plot.x, y: plot.y, width: plot.width, height: plot.height })
  }, [plot, onPlot])
  return null
}

/** The unit of the axis along stands at its last tick. */
const tickText = (value: number, { to, ticks, unit, format = String }: Axis): string =>
  unit !== undefined && Math.abs(value - (ticks?.at(-1) ?? to)) < 1e-9 ? `${format(value)} ${unit}` : format(value)

type FrameProps = Pick<Props, 'rows' | 'x' | 'y' | 'children'> & { height: number; onPlot: (plot: PlotArea) => void }

const Frame = memo(function Frame({ height, rows, x, y, onPlot, children }: FrameProps) {
  return (
    <ChartFrame height={height}>
      <ComposedChart
        data={[...rows]}
        margin={{ top: TOP_PX, right: 32, bottom: 4, left: -14 }}
        accessibilityLayer={false}
      >
        <ChartHatch />
        <CartesianGrid vertical={false} stroke="var(--mui-palette-divider)" />
        <XAxis
          dataKey="x"
          type="number"
          domain={[x.from, x.to]}
          allowDataOverflow
          tickCount={7}
          interval="preserveStartEnd"
          minTickGap={14}
          ticks={x.ticks && [...x.ticks]}
          tick={chartFont}
          stroke="var(--mui-palette-text-secondary)"
          tickFormatter={(value: number) => tickText(value, x)}
        />
        <YAxis
          type="number"
          domain={[y.from, y.to]}
          allowDataOverflow
          ticks={y.ticks && [...y.ticks]}
          tick={chartFont}
          tickFormatter={y.format}
          stroke="none"
          width={60}
        />
        {children}
        <ReportPlot onPlot={onPlot} />
      </ComposedChart>
    </ChartFrame>
  )
})
