'use client'

import { CartesianGrid, Line, LineChart, ReferenceDot, XAxis, YAxis } from 'recharts'
import { ticksWithin } from '@/core/quantity/evenTicks'
import { formatPct, formatTick } from '@/core/quantity/format'
import type { CardCurve as Curve } from '@/core/record/boxCard'
import { chartFont } from '@/ui/chart'
import { ChartFrame } from '@/ui/ChartFrame'
import { AxisLabels } from '@/ui/labels/PlacedLabels'
import { usePreference } from '@/ui/preference'

type Props = {
  curve: Curve
  /** Another way it went before, dashed. */
  other?: Curve | null
  height: number
  /** With the figures of the points its rule is set to. */
  withCorners?: boolean
}

const rows = (points: Curve['points']) => points.map(([x, pct]) => ({ x, pct }))

// Below and to the right first: there no line that rises passes.
const CORNER_SIDES = ['below right', 'above left', 'below left', 'above right', 'right', 'left'] as const

/** The speed against what it answers to, as a card shows it. */
export function CardCurve({ curve, other, height, withCorners = false }: Props) {
  const preference = usePreference()
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
            tickFormatter={(x: number) => formatTick(x, preference)}
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
              />
            ))}
          {withCorners && (
            <AxisLabels
              labels={curve.corners.map(([x, pct]) => ({
                text: `${formatTick(Number(x.toFixed(1)), preference)}: ${formatPct(pct, preference)} %`,
                x,
                y: pct,
                sides: CORNER_SIDES,
                fill: 'var(--mui-palette-text-primary)',
                isBold: true,
              }))}
            />
          )}
        </LineChart>
      </ChartFrame>
      <div style={{ fontSize: '0.8125rem', textAlign: 'right' }}>
        {curve.fan}, %, against {curve.input}, {curve.unit}
      </div>
    </>
  )
}
