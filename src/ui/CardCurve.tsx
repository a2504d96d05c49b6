'use client'

import { CartesianGrid, Line, LineChart, ReferenceDot, XAxis, YAxis } from 'recharts'
import { ticksWithin } from '@/core/quantity/evenTicks'
import { formatPct, formatTick } from '@/core/quantity/format'
import type { CardCurve as Curve } from '@/core/record/boxCard'
import { chartFont } from '@/ui/chart'
import { ChartFrame } from '@/ui/ChartFrame'

type Props = {
  curve: Curve
  /** Another way it went before, dashed. */
  other?: Curve | null
  height: number
  /** With the figures of the points its rule is set to. */
  withCorners?: boolean
}

const rows = (points: Curve['points']) => points.map(([x, pct]) => ({ x, pct }))

type CornerProps = { says: string; viewBox?: { x: number; y: number; width: number; height: number } }

/** The figure of a point, below it and to its right: there no line that rises passes. */
const Corner = ({ says, viewBox }: CornerProps) =>
  viewBox ? (
    <text
      x={viewBox.x + viewBox.width + 2}
      y={viewBox.y + viewBox.height + 12}
      {...chartFont}
      fontWeight={700}
      fill="var(--mui-palette-text-primary)"
    >
      {says}
    </text>
  ) : null

/** The speed against what it answers to, as a card shows it. */
export function CardCurve({ curve, other, height, withCorners = false }: Props) {
  const [from, to] = [curve.points[0]![0], curve.points.at(-1)![0]]
  return (
    <>
      <ChartFrame height={height} label={`${curve.fan}, percent, against ${curve.input}, ${curve.unit}`}>
        <LineChart margin={{ top: 10, right: 12, bottom: 0, left: -18 }}>
          <CartesianGrid vertical={false} stroke="var(--mui-palette-divider)" />
          <XAxis
            dataKey="x"
            type="number"
            domain={[from, to]}
            ticks={ticksWithin(from, to, 5)}
            tickFormatter={formatTick}
            tick={chartFont}
            allowDuplicatedCategory={false}
          />
          <YAxis domain={[0, 100]} ticks={[0, 25, 50, 75, 100]} tick={chartFont} />
          {other && (
            <Line
              data={rows(other.points)}
              dataKey="pct"
              dot={false}
              stroke="var(--mui-palette-text-secondary)"
              strokeDasharray="5 3"
              isAnimationActive={false}
            />
          )}
          {curve.down && (
            <Line
              data={rows(curve.down)}
              dataKey="pct"
              dot={false}
              stroke="var(--mui-palette-cause-speed)"
              strokeDasharray="2 3"
              isAnimationActive={false}
            />
          )}
          <Line
            data={rows(curve.points)}
            dataKey="pct"
            dot={false}
            strokeWidth={2}
            stroke="var(--mui-palette-cause-speed)"
            isAnimationActive={false}
          />
          {withCorners &&
            curve.corners.map(([x, pct]) => (
              <ReferenceDot
                key={x}
                x={x}
                y={pct}
                r={4}
                fill="var(--mui-palette-ground-sheet)"
                stroke="var(--mui-palette-text-primary)"
                label={<Corner says={`${formatTick(Number(x.toFixed(1)))}: ${formatPct(pct)} %`} />}
              />
            ))}
        </LineChart>
      </ChartFrame>
      <div style={{ fontSize: '0.8125rem', textAlign: 'right' }}>
        {curve.fan}, %, against {curve.input}, {curve.unit}
      </div>
    </>
  )
}
