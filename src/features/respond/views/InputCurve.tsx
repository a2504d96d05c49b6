'use client'

import Button from '@mui/material/Button'
import { useDeferredValue, useMemo, useState, type PointerEvent, type ReactNode } from 'react'
import { clamp } from '@/core/json/clamp'
import { branchesAgainst, risingAgainst, type CurvePoint } from '@/core/look/curve'
import type { Machine } from '@/core/machine/compile'
import { formatFigure } from '@/core/quantity/format'
import type { MeasuredInput } from '@/core/rules/input'
import type { Rule } from '@/core/rules/table'
import { CurveMarks, markLabels } from '@/features/respond/views/CurveMarks'
import { Arrows, Curves } from '@/features/respond/views/CurvePaths'
import { laneAbove, Plot, type Axis, type Scale } from '@/features/respond/views/Plot'
import { quantityAxis } from '@/features/respond/views/quantityAxis'
import { DifferentialHandles, RampHandles } from '@/features/respond/views/PointHandles'
import { useInstant, useTryIt } from '@/ui/TryItValues'
import { PlacedLabels, type Label } from '@/ui/labels/PlacedLabels'
import { usePreference } from '@/ui/preference'
import { useDerived, usePart } from '@/ui/workingCopy/context'

const NO_ROWS: readonly object[] = []

const SPEED_AXIS: Axis = { from: 0, to: 100, ticks: [0, 25, 50, 75, 100], unit: '%' }

export type InputCurveProps = {
  input: MeasuredInput
  /** Inputs held otherwise than in Try it: one side of day and night. */
  also?: Readonly<Record<string, number>>
  /** Another response drawn beside it, dotted: a sealed revision. */
  beside?: Machine | null
  height?: number
  label?: string
}

/** Speed against one input: asked (dashed) and given (solid), up and down where they differ, target band, limits, skip bands, where it
 *  will not turn, and handles. The handles never wait for the lines: these may come a frame after the handle that is being dragged. */
export function InputCurve({ input, also, beside = null, height, label }: InputCurveProps) {
  const response = usePart('response')
  const brief = usePart('brief')
  const { values, set } = useTryIt()
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
  const xAxis = useMemo(() => quantityAxis(input.kind, preference, input.from, input.to), [input, preference])
  const target = brief.targets.find(({ quantity }) => quantity === input.kind) ?? null
  const { skipBands } = asked.response
  const ceilingPct = asked.response.ceiling.speedPct
  const startPct = lead?.startPct ?? null
  // The frame, its axes and what stands behind the curves: drawn anew only when that changes. The curves lie over it.
  const marks = useMemo(
    () => <CurveMarks {...{ input, skipBands, ceilingPct, target, startPct }} />,
    [input, skipBands, ceilingPct, target, startPct],
  )
  const written = (scale: Scale) => markLabels({ input, skipBands, ceilingPct, target, startPct }, scale, preference)
  // Where fans join one after the other the way back lies across the way there: shown when asked for.
  const [hasBack, setBack] = useState(!response.stages)
  const isBackDrawn = hasBack && (branches?.differ ?? false)
  const rules = response.rules.filter((rule) => !rule.off && 'input' in rule && rule.input === input.id)
  const nowX = values[input.id] ?? NaN
  const nowPct = instant.given?.evaluation.fans[0]?.speedPct ?? null
  const plot = (
    <Plot
      label={label ?? `Speed against ${input.name}`}
      height={height}
      rows={NO_ROWS}
      x={xAxis}
      y={SPEED_AXIS}
      overlay={(scale) => (
        <g>
          {branches && <Curves {...{ scale, branches: { ...branches, differ: isBackDrawn }, asking, other }} />}
          {branches && isBackDrawn && (
            <>
              <Arrows scale={scale} points={branches.up} way="up" />
              <Arrows scale={scale} points={branches.down} way="down" />
            </>
          )}
          {!also && <Field scale={scale} onPick={(x) => set(input.id, clamp(x, input.from, input.to))} />}
          {!also && <Now scale={scale} x={clamp(nowX, input.from, input.to)} pct={nowPct} />}
          <Written
            scale={scale}
            marks={written(scale)}
            curves={[branches?.up ?? [], branches && isBackDrawn ? branches.down : []]}
            handles={rules.flatMap(handlesOf)}
            now={
              also
                ? null
                : { x: clamp(nowX, input.from, input.to), text: `now ${formatFigure(nowX, input.kind, preference)}` }
            }
          />
          {rules.map((rule) =>
            'fullAt' in rule ? (
              <RampHandles key={rule.id} scale={scale} ramp={rule} input={input} />
            ) : 'offAt' in rule ? (
              <DifferentialHandles key={rule.id} scale={scale} rule={rule} input={input} />
            ) : null,
          )}
        </g>
      )}
    >
      {marks}
    </Plot>
  )
  return response.stages && branches?.differ ? (
    <>
      {plot}
      <Button size="small" onClick={() => setBack((shown) => !shown)} aria-pressed={hasBack}>
        {hasBack ? 'Hide the way back' : 'Show the way back'}
      </Button>
    </>
  ) : (
    plot
  )
}

/** Where a rule has its handles: x and percent. */
const handlesOf = (rule: Rule): readonly Pick<CurvePoint, 'x' | 'pct'>[] =>
  'fullAt' in rule
    ? [
        { x: rule.startAt, pct: rule.fromPct },
        { x: rule.fullAt, pct: rule.toPct },
      ]
    : 'offAt' in rule
      ? [rule.onAt, rule.offAt].map((x) => ({ x, pct: rule.speedPct }))
      : []

/** What a sealed revision did against the same input; nothing where it did not know it. */
const besideCurve = (
  machine: Machine,
  input: MeasuredInput,
  rest: Readonly<Record<string, number>>,
): readonly CurvePoint[] | null => (machine.inputIds.includes(input.id) ? risingAgainst(machine, input, rest) : null)

type FieldProps = { scale: Scale; onPick: (x: number) => void }

/** The free field of the chart: pressed or drawn over, Try it goes there. For keys there is its slider. */
function Field({ scale: { plot, fromX }, onPick }: FieldProps): ReactNode {
  const pick = (event: PointerEvent<SVGRectElement>) =>
    onPick(fromX(plot.x + event.clientX - event.currentTarget.getBoundingClientRect().left))
  return (
    <rect
      {...plot}
      fill="transparent"
      data-try-field=""
      style={{ pointerEvents: 'auto', cursor: 'crosshair', touchAction: 'pan-y' }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        pick(event)
      }}
      onPointerMove={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId)) pick(event)
      }}
    />
  )
}

function Now({ scale, x, pct }: { scale: Scale; x: number; pct: number | null }): ReactNode {
  if (Number.isNaN(x)) return null
  const { plot, toX, toY } = scale
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
      {pct !== null && <circle cx={toX(x)} cy={toY(pct)} r={5} fill="var(--mui-palette-text-primary)" />}
    </>
  )
}

type WrittenProps = {
  scale: Scale
  marks: ReturnType<typeof markLabels>
  curves: readonly (readonly CurvePoint[])[]
  handles: readonly Pick<CurvePoint, 'x' | 'pct'>[]
  now: { readonly x: number; readonly text: string } | null
}

/** What is written on the chart, beside its lines where there is room. */
function Written({ scale: { plot, toX, toY }, marks, curves, handles, now }: WrittenProps): ReactNode {
  const isNow = now !== null && !Number.isNaN(now.x)
  const labels: Label[] = [
    ...(isNow
      ? [
          {
            text: now.text,
            x: toX(now.x),
            y: plot.y + plot.height - 8,
            sides: ['right', 'left'] as const,
            fill: 'var(--mui-palette-text-primary)',
          },
        ]
      : []),
    ...marks.labels,
  ]
  const rings = handles.map(({ x, pct }) => ({ x: toX(x) - 11, y: toY(pct) - 11, width: 22, height: 22 }))
  const keepOff = [
    ...marks.lines,
    ...(isNow ? [{ x: toX(now.x) - 1, y: plot.y, width: 2, height: plot.height }] : []),
    ...rings,
    ...curves.flat().map(({ x, pct }) => ({ x: toX(x) - 3, y: toY(pct) - 3, width: 6, height: 6 })),
  ]
  return (
    <>
      <PlacedLabels labels={marks.above} area={laneAbove(plot)} keepOff={rings} />
      <PlacedLabels labels={labels} area={plot} keepOff={keepOff} />
    </>
  )
}
