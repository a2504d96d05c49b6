'use client'

import { useDeferredValue, useMemo, type ReactNode } from 'react'
import { ReferenceArea, ReferenceLine } from 'recharts'
import type { Target } from '@/core/brief/schema'
import { clamp } from '@/core/clamp'
import { formatFigure, preferredUnit } from '@/core/quantity/format'
import type { Machine } from '@/core/response/compile'
import { branchesAgainst, risingAgainst, type Branches, type CurvePoint } from '@/core/response/curve'
import type { MeasuredInput, Response } from '@/core/response/schema'
import { DifferentialHandles, RampHandles } from '@/features/respond/views/PointHandles'
import { Plot, type Axis, type Scale } from '@/features/respond/views/Plot'
import { chartFont, HATCH_FILL } from '@/ui/chart'
import { causeVar, inputCause } from '@/ui/cause'
import { useInstant, useTryIt } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

const NO_ROWS: readonly object[] = []

export const SPEED_AXIS: Axis = { from: 0, to: 100, ticks: [0, 25, 50, 75, 100] }

export type InputCurveProps = {
  input: MeasuredInput
  /** Inputs held otherwise than in Try it: one side of day and night. */
  also?: Readonly<Record<string, number>>
  /** Another response drawn beside it, dotted: a sealed revision. */
  beside?: Machine | null
  height?: number
  label?: string
}

/** Speed against one input: asked (dashed) and given (solid), up and down where they differ, target band, limits, rest bands, where it
 *  will not turn, and handles. The handles never wait for the lines: these may come a frame after the handle that is being dragged. */
export function InputCurve({ input, also, beside = null, height, label }: InputCurveProps) {
  const { response, brief } = useDocument()
  const { values } = useTryIt()
  const instant = useInstant()
  const preference = usePreference()
  const { asked, given, lead } = useDerived()
  const laterValues = useDeferredValue(values)
  const rest = useMemo(() => ({ ...laterValues, ...also }), [laterValues, also])
  const branches = useMemo(
    () => given.machine && branchesAgainst(given.machine, input, rest),
    [given.machine, input, rest],
  )
  const asking = useMemo(() => asked.machine && risingAgainst(asked.machine, input, rest), [asked.machine, input, rest])
  const other = useMemo(() => beside && besideCurve(beside, input, rest), [beside, input, rest])
  const xAxis = useMemo<Axis>(
    () => ({
      from: input.from,
      to: input.to,
      unit: preferredUnit(input.kind, preference).symbol,
      format: (x: number) => formatFigure(x, input.kind, preference, 0),
    }),
    [input, preference],
  )
  const target = brief.targets.find(({ quantity }) => quantity === input.kind) ?? null
  const { restBands } = asked.response
  const ceilingPct = asked.response.ceiling.speedPct
  const startPct = lead?.startPct ?? null
  // The frame, its axes and what stands behind the curves: drawn anew only when that changes. The curves lie over it.
  const marks = useMemo(
    () => <CurveMarks {...{ input, restBands, ceilingPct, target, startPct }} />,
    [input, restBands, ceilingPct, target, startPct],
  )
  const rules = response.rules.filter((rule) => !rule.off && 'input' in rule && rule.input === input.id)
  const nowX = values[input.id] ?? NaN
  const nowPct = instant.given?.evaluation.fans[0]?.speedPct ?? null
  return (
    <Plot
      label={label ?? `Speed against ${input.name}`}
      height={height}
      rows={NO_ROWS}
      x={xAxis}
      y={SPEED_AXIS}
      overlay={(scale) => (
        <g>
          {branches && <Curves {...{ scale, branches, asking, other }} />}
          {branches?.differ && (
            <>
              <Arrows scale={scale} points={branches.up} way="up" />
              <Arrows scale={scale} points={branches.down} way="down" />
            </>
          )}
          {!also && (
            <Now
              scale={scale}
              x={clamp(nowX, input.from, input.to)}
              pct={nowPct}
              said={formatFigure(nowX, input.kind, preference)}
            />
          )}
          {rules.map((rule) =>
            rule.kind === 'ramp' ? (
              <RampHandles key={rule.id} scale={scale} ramp={rule} input={input} />
            ) : rule.kind === 'differential' ? (
              <DifferentialHandles key={rule.id} scale={scale} rule={rule} input={input} />
            ) : null,
          )}
        </g>
      )}
    >
      {marks}
    </Plot>
  )
}

/** What a sealed revision did against the same input; nothing where it did not know it. */
const besideCurve = (
  machine: Machine,
  input: MeasuredInput,
  rest: Readonly<Record<string, number>>,
): readonly CurvePoint[] | null => (machine.inputIds.includes(input.id) ? risingAgainst(machine, input, rest) : null)

function Now({ scale, x, pct, said }: { scale: Scale; x: number; pct: number | null; said: string }): ReactNode {
  if (Number.isNaN(x)) return null
  const { plot, toX, toY } = scale
  const isRight = toX(x) > plot.x + plot.width / 2
  return (
    <>
      <line
        x1={toX(x)}
        x2={toX(x)}
        y1={plot.y}
        y2={plot.y + plot.height}
        stroke="var(--mui-palette-text-primary)"
        strokeWidth={1}
      />
      <text
        x={toX(x) + (isRight ? -5 : 5)}
        y={plot.y + plot.height - 6}
        textAnchor={isRight ? 'end' : 'start'}
        style={{ ...chartFont, fill: 'var(--mui-palette-text-primary)' }}
      >
        now {said}
      </text>
      {pct !== null && <circle cx={toX(x)} cy={toY(pct)} r={5} fill="var(--mui-palette-text-primary)" />}
    </>
  )
}

/** An arrow at each jump of a branch, in the direction in which it is walked. */
function Arrows({
  scale: { toX, toY },
  points,
  way,
}: {
  scale: Scale
  points: readonly CurvePoint[]
  way: 'up' | 'down'
}) {
  const walked = way === 'up' ? points : [...points].reverse()
  return walked.flatMap((point, index) => {
    const before = walked[index - 1]
    if (!before || Math.abs(point.pct - before.pct) < 8) return []
    const [x, y] = [toX((point.x + before.x) / 2), toY((point.pct + before.pct) / 2)]
    const tip = point.pct > before.pct ? -6 : 6
    return [
      <path
        key={`${way}-${point.x}`}
        d={`M${x} ${y + tip} l-5 ${-tip * 1.6} h10 z`}
        fill={way === 'up' ? 'var(--mui-palette-cause-speed)' : 'var(--mui-palette-text-secondary)'}
      />,
    ]
  })
}

/** A curve as it is walked: straight from point to point, or in steps that stay until the next. */
function pathOf({ toX, toY }: Scale, points: readonly CurvePoint[], how: 'line' | 'stay' | 'come'): string {
  return points
    .map(({ x, pct }, index) => {
      const [px, py] = [toX(x).toFixed(1), toY(pct).toFixed(1)]
      if (index === 0) return `M${px} ${py}`
      return how === 'line' ? `L${px} ${py}` : how === 'stay' ? `H${px}V${py}` : `V${py}H${px}`
    })
    .join('')
}

type CurvesProps = {
  scale: Scale
  branches: Branches
  asking: readonly CurvePoint[] | null
  other: readonly CurvePoint[] | null
}

/** Asked dashed, given solid, the way back grey, a revision beside it dotted. */
function Curves({ scale, branches: { up, down, differ }, asking, other }: CurvesProps) {
  return (
    <g fill="none">
      {asking && (
        <path
          d={pathOf(scale, asking, 'line')}
          stroke="var(--mui-palette-text-secondary)"
          strokeDasharray="5 4"
          strokeWidth={1.5}
        />
      )}
      {other && (
        <path
          d={pathOf(scale, other, 'line')}
          stroke="var(--mui-palette-cause-time)"
          strokeDasharray="1 5"
          strokeWidth={3}
          strokeLinecap="round"
        />
      )}
      {differ && <path d={pathOf(scale, down, 'come')} stroke="var(--mui-palette-text-secondary)" strokeWidth={2} />}
      <path d={pathOf(scale, up, 'stay')} stroke="var(--mui-palette-cause-speed)" strokeWidth={2.5} />
    </g>
  )
}

type MarksProps = {
  input: MeasuredInput
  restBands: Response['restBands']
  ceilingPct: number
  target: Target | null
  startPct: number | null
}

/** What stands behind the lines: where it will not turn, rest bands, the target band and limits. */
function CurveMarks({ input, restBands, ceilingPct, target, startPct }: MarksProps) {
  const preference = usePreference()
  const colour = causeVar(inputCause(input))
  const unit = preferredUnit(input.kind, preference).symbol
  const limit = target?.limitAbove ?? null
  return (
    <>
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
      {(restBands ?? []).map(({ fromPct, toPct }) => (
        <ReferenceArea
          key={fromPct}
          y1={fromPct}
          y2={toPct}
          fill={HATCH_FILL}
          fillOpacity={0.8}
          ifOverflow="hidden"
          label={{ value: 'rest band, passed over', position: 'insideTopRight', ...chartFont }}
        />
      ))}
      {target && (
        <ReferenceArea
          x1={Math.max(input.from, target.bandFrom)}
          x2={Math.min(input.to, target.bandTo)}
          fill={colour}
          fillOpacity={0.08}
          ifOverflow="hidden"
          label={{
            value: `target ${formatFigure(target.bandFrom, input.kind, preference, 0)}–${formatFigure(target.bandTo, input.kind, preference, 0)} ${unit}`,
            position: 'insideTopLeft',
            ...chartFont,
            fill: colour,
          }}
        />
      )}
      {ceilingPct < 100 && (
        <ReferenceLine
          y={ceilingPct}
          stroke="var(--mui-palette-text-secondary)"
          strokeDasharray="1 3"
          label={{ value: 'ceiling', position: 'insideBottomRight', ...chartFont }}
        />
      )}
      {limit !== null && limit <= input.to && (
        <ReferenceLine
          x={limit}
          stroke="var(--mui-palette-error-main)"
          strokeDasharray="2 3"
          label={{ value: 'limit', position: 'insideLeft', ...chartFont, fill: 'var(--mui-palette-error-main)' }}
        />
      )}
    </>
  )
}
