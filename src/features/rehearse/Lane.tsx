import Box from '@mui/material/Box'
import { memo, useMemo } from 'react'
import { CartesianGrid, ComposedChart, Line, ReferenceArea, ReferenceLine, XAxis, YAxis } from 'recharts'
import { evenTicks } from '@/core/quantity/evenTicks'
import { formatNumber, formatTick, inPreferredUnit, preferredUnit, type UnitPreference } from '@/core/quantity/format'
import type { Curve, LaneOf } from '@/features/rehearse/lanes'
import { thin } from '@/features/rehearse/thin'
import { wholeHours } from '@/features/rehearse/timeAxis'
import { ChartFrame } from '@/ui/ChartFrame'
import { causeVar } from '@/ui/cause'
import { chartFont } from '@/ui/chart'
import { AxisLabels } from '@/ui/labels/PlacedLabels'

/** Width of the scale beside a lane, and what is left free at its right: the same in all, so that they stand above one another. */
export const SCALE_PX = 44
export const RIGHT_PX = 12
const MOST_PIECES = 420
const DASH = { plain: undefined, dashed: '6 4', dotted: '2 3' } as const

export type Span = { readonly fromRow: number; readonly toRow: number }

/** Rows of the places that keep the highest and lowest of each stretch of the first curve; the others at the same places. */
function sampled(curves: readonly Curve[], { fromRow, toRow }: Span, stepS: number, show: (x: number) => number) {
  return thin(curves[0]!.values.subarray(fromRow, toRow), MOST_PIECES).map((place): Record<string, number | null> => {
    const row = fromRow + place
    return {
      atS: row * stepS,
      ...Object.fromEntries(
        curves.map(({ values }, index) => [`y${index}`, Number.isFinite(values[row]) ? show(values[row]!) : null]),
      ),
    }
  })
}

/** Lower than this a lane has fewer steps. */
const LOW_PX = 80

type Props = { lane: LaneOf; span: Span; stepS: number; preference: UnitPreference }

/** One quantity over time: curves, the band of the target, the limit; ticks at even steps. */
export const Lane = memo(function Lane({ lane, span, stepS, preference }: Props) {
  const { curves, quantity, target, isStepped, height, fromZero } = lane
  const rows = useMemo(
    () => sampled(curves, span, stepS, (x) => inPreferredUnit(x, quantity, preference)),
    [curves, span, stepS, quantity, preference],
  )
  const ticks = useMemo(() => {
    const values = rows.flatMap((row) =>
      curves.map((_, index) => row[`y${index}`]).filter((y) => typeof y === 'number'),
    )
    if (quantity === 'speed') return [0, 50, 100]
    const most = height < LOW_PX ? 2 : undefined
    return evenTicks(fromZero ? 0 : Math.min(...values), Math.max(...values, fromZero ? 1 : -Infinity), most)
  }, [rows, curves, quantity, fromZero, height])
  const colour = lane.cause === 'ink' ? 'var(--mui-palette-text-primary)' : causeVar(lane.cause)
  const show = (x: number) => inPreferredUnit(x, quantity, preference)
  const [low, high] = [ticks[0]!, ticks.at(-1)!]
  const inside = (x: number) => Math.min(high, Math.max(low, x))
  return (
    <ChartFrame label={`${lane.name}, ${preferredUnit(quantity, preference).symbol}, over time`} height={height}>
      <ComposedChart data={rows} margin={{ top: 5, right: RIGHT_PX, bottom: 5, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--mui-palette-divider)" />
        <XAxis
          dataKey="atS"
          type="number"
          domain={[span.fromRow * stepS, span.toRow * stepS]}
          ticks={wholeHours(span.fromRow * stepS, span.toRow * stepS)}
          allowDataOverflow
          hide
        />
        <YAxis
          domain={[low, high]}
          ticks={ticks}
          width={SCALE_PX}
          tick={chartFont}
          tickFormatter={(y: number) => formatTick(y, preference)}
          stroke="var(--mui-palette-text-secondary)"
          interval={0}
          allowDataOverflow
        />
        {target && show(target.bandTo) > low && show(target.bandFrom) < high && (
          <ReferenceArea
            y1={inside(show(target.bandFrom))}
            y2={inside(show(target.bandTo))}
            fill={colour}
            fillOpacity={0.1}
          />
        )}
        {target?.limitAbove != null && show(target.limitAbove) <= high && (
          <ReferenceLine y={show(target.limitAbove)} stroke="var(--mui-palette-error-main)" strokeDasharray="2 3" />
        )}
        {target?.limitAbove != null && show(target.limitAbove) <= high && (
          <AxisLabels
            labels={[
              {
                text: `limit ${formatNumber(show(target.limitAbove), 0, preference)}`,
                x: span.fromRow * stepS,
                y: show(target.limitAbove),
                sides: ['above right', 'below right', 'right'],
                fill: 'var(--mui-palette-error-main)',
              },
            ]}
          />
        )}
        {[...curves.keys()].reverse().map((index) => (
          <Line
            key={index}
            dataKey={`y${index}`}
            stroke={colour}
            strokeDasharray={DASH[curves[index]!.look]}
            strokeWidth={curves[index]!.look === 'plain' ? 1.8 : 1.2}
            strokeOpacity={curves[index]!.look === 'plain' ? 1 : 0.75}
            type={isStepped ? 'stepAfter' : 'linear'}
            dot={false}
            isAnimationActive={false}
          />
        ))}
      </ComposedChart>
    </ChartFrame>
  )
})

/** The gutter of a lane: what it is, its unit, and the figures at the cursor. */
export const Gutter = ({
  lane,
  unit,
  row,
  preference,
}: {
  lane: LaneOf
  unit: string
  row: number
  preference: UnitPreference
}) => {
  const colour = lane.cause === 'ink' ? 'text.primary' : `cause.${lane.cause}`
  const decimals = preferredUnit(lane.quantity, preference).decimals
  const figure = (values: Float64Array) =>
    formatNumber(inPreferredUnit(values[row] ?? NaN, lane.quantity, preference), decimals, preference)
  return (
    <Box sx={{ width: { xs: 92, sm: 128 }, flexShrink: 0, pt: 0.5, pr: 0.5, lineHeight: 1.25, overflow: 'hidden' }}>
      <Box sx={{ fontSize: 13.5, fontWeight: 700, color: colour }}>
        {lane.name}{' '}
        <Box component="span" sx={{ fontWeight: 400, fontSize: 12 }}>
          {unit}
        </Box>
      </Box>
      {lane.curves.slice(0, 4).map(({ name, values, look }, index) => (
        <Box
          key={index}
          sx={{ display: 'flex', justifyContent: 'space-between', gap: 0.5, fontSize: 12, color: 'text.secondary' }}
        >
          <span>
            {look === 'plain'
              ? lane.curves.length > 1
                ? `— ${name}`
                : ''
              : `${look === 'dashed' ? '- -' : '···'} ${name}`}
          </span>
          <Box
            component="span"
            sx={{
              fontFamily: 'figure.fontFamily',
              typography: 'figure',
              fontSize: 12.5,
              color: colour,
              fontWeight: index === 0 ? 700 : 400,
            }}
          >
            {figure(values)}
          </Box>
        </Box>
      ))}
    </Box>
  )
}
