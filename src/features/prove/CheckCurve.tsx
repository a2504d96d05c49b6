'use client'

import { useDeferredValue, useMemo } from 'react'
import { CartesianGrid, Line, LineChart, ReferenceDot, ReferenceLine, XAxis, YAxis } from 'recharts'
import type { CheckOf } from '@/core/prove/check'
import { fanName, measuredOf, type ProveContext } from '@/core/prove/context'
import { givenOver, type SpeedExpectation } from '@/core/prove/expect'
import type { StepReading } from '@/core/prove/reading'
import { readPct } from '@/core/prove/verdict'
import { ticksWithin } from '@/core/quantity/evenTicks'
import {
  formatFigure,
  formatPct,
  formatTick,
  inPreferredUnit,
  preferredUnit,
  type UnitPreference,
} from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import { inputQuantity } from '@/core/rules/input'
import { everyNth } from '@/core/json/everyNth'
import { chartFont } from '@/ui/chart'
import { ChartCursor } from '@/ui/ChartCursor'
import { ChartFrame } from '@/ui/ChartFrame'
import { ChartTools } from '@/ui/ChartTools'

type Props = {
  context: ProveContext
  check: CheckOf<'speed'>
  step: number
  readings: readonly StepReading[]
  /** What the lead should show at what was read. */
  expected: SpeedExpectation | undefined
}

const TABLE_ROWS = 20

const figureRows = (
  points: readonly { readonly x: number; readonly pct: number }[],
  quantity: Quantity,
  preference: UnitPreference,
) =>
  everyNth(points, TABLE_ROWS).map(
    ({ x, pct }) => [formatFigure(x, quantity, preference), formatPct(pct, preference)] as const,
  )

/** What the lead fan gives along what is read, with the band that is allowed at the reading and the point that was read. */
export function CheckCurve({ context, check, step, readings, expected }: Props) {
  // Many moments are gone through: the figure that is being typed is shown before that.
  const calm = useDeferredValue(readings)
  const points = useMemo(() => givenOver(context, check, step, calm), [context, check, step, calm])
  const [id] = check.steps[step]!.reads
  const input = id === undefined ? undefined : measuredOf(context, id)
  if (!input || !expected || points.length === 0) return null
  const quantity = inputQuantity(input)
  const { preference } = context
  const shown = (x: number) => inPreferredUnit(x, quantity, preference)
  const [from, to] = [shown(points[0]!.x), shown(points.at(-1)!.x)]
  const at = readings[step]?.inputs[input.id]
  const read = readPct(context, readings[step], expected.fan)
  const isInside = read !== undefined && read >= expected.lowPct && read <= expected.highPct
  const name = fanName(context, expected.fan)
  const unit = preferredUnit(quantity, preference).symbol
  return (
    <ChartTools
      name={`${name} over ${input.name}`}
      figures={() => ({
        head: [`${input.name}, ${unit}`, `${name}, %`],
        rows: figureRows(points, quantity, preference),
      })}
    >
      <figure style={{ margin: 0 }}>
        <ChartFrame
          height={190}
          label={`${name}, percent, over ${input.name}, ${unit}${at === undefined ? '' : `; at ${formatTick(shown(at), preference)} it should show ${formatPct(expected.expectPct, preference)} %`}${read === undefined ? '' : `, read ${formatPct(read, preference)} %`}`}
        >
          <LineChart
            data={points.map(({ x, pct }) => ({ x: shown(x), pct }))}
            margin={{ top: 10, right: 12, bottom: 0, left: -18 }}
          >
            <CartesianGrid vertical={false} stroke="var(--mui-palette-divider)" />
            <XAxis
              dataKey="x"
              type="number"
              domain={[from, to]}
              ticks={ticksWithin(from, to, 5)}
              tickFormatter={(x: number) => formatTick(x, preference)}
              tick={chartFont}
            />
            <YAxis domain={[0, 100]} ticks={[0, 25, 50, 75, 100]} tick={chartFont} />
            <ChartCursor
              along={(x) => `${formatTick(x, preference)} ${unit}`}
              figure={(pct) => `${formatPct(pct, preference)} %`}
            />
            <Line
              dataKey="pct"
              name={name}
              dot={false}
              strokeWidth={2}
              stroke="var(--mui-palette-cause-speed)"
              isAnimationActive={false}
            />
            {at !== undefined && (
              <ReferenceLine
                segment={[
                  { x: shown(at), y: expected.lowPct },
                  { x: shown(at), y: expected.highPct },
                ]}
                stroke="var(--mui-palette-cause-speed)"
                strokeWidth={8}
                strokeOpacity={0.3}
                ifOverflow="visible"
              />
            )}
            {at !== undefined && (
              <ReferenceDot
                x={shown(at)}
                y={expected.expectPct}
                r={5}
                fill="var(--mui-palette-ground-sheet)"
                stroke="var(--mui-palette-cause-speed)"
                strokeWidth={2}
                ifOverflow="visible"
              />
            )}
            {at !== undefined && read !== undefined && (
              <ReferenceDot
                x={shown(at)}
                y={read}
                r={4}
                fill={`var(--mui-palette-${isInside ? 'text-primary' : 'error-main'})`}
                stroke="none"
                ifOverflow="visible"
              />
            )}
          </LineChart>
        </ChartFrame>
        <figcaption style={{ fontSize: '0.8125rem', textAlign: 'right' }}>
          {name}, %, over {input.name}, {unit}
          {at === undefined ? '' : '. Ring: expected; bar: allowed; dot: read.'}
        </figcaption>
      </figure>
    </ChartTools>
  )
}
