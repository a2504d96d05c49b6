'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useEffect, useMemo, useRef, useState } from 'react'
import { Area, CartesianGrid, ComposedChart, ReferenceArea, XAxis, YAxis } from 'recharts'
import type { ReadingQuantity } from '@/core/formats/readingsCsv/layout'
import { evenTicks } from '@/core/quantity/evenTicks'
import { formatFigure, formatQuantity, formatTick, inPreferredUnit, preferredUnit } from '@/core/quantity/format'
import type { ReadingView } from '@/db/queries/reading'
import type { FileLine } from '@/features/readings/types'
import { timeTicks, wallText } from '@/ui/wallText'
import { ChartCursor } from '@/ui/ChartCursor'
import { ChartFrame } from '@/ui/ChartFrame'
import { ChartTools } from '@/ui/ChartTools'
import { everyNth } from '@/core/json/everyNth'
import { Notice } from '@/ui/Notice'
import { chartFont } from '@/ui/chart'
import { useDates, usePreference } from '@/ui/preference'

type Span = { readonly fromMs: number; readonly toMs: number }

const HEIGHT = 170
const TABLE_ROWS = 60
const NARROWEST_MS = 60_000

const COLOURS: Partial<Record<ReadingQuantity, string>> = {
  temperature: 'temperature',
  humidity: 'humidity',
  pressure: 'pressure',
  light: 'light',
}
const colourOf = (quantity: ReadingQuantity) => `var(--mui-palette-cause-${COLOURS[quantity] ?? 'speed'})`

/** The readings of a file over time, at any zoom: each point stands for a stretch, drawn from its lowest to its highest reading. */
export function ReadingsChart({ file }: { file: FileLine }) {
  const dates = useDates()
  const whole = useMemo<Span>(() => ({ fromMs: file.fromMs, toMs: file.toMs }), [file.fromMs, file.toMs])
  const [span, setSpan] = useState(whole)
  const [view, setView] = useState<ReadingView | null>(null)
  const [isLost, setLost] = useState(false)
  const box = useRef<HTMLDivElement>(null)

  useEffect(() => {
    let isCurrent = true
    const points = Math.max(50, Math.floor((box.current?.clientWidth ?? 800) / 2))
    void fetch(`/api/readings/${file.id}/view?from=${span.fromMs}&to=${span.toMs}&points=${points}`)
      .then(async (answer) => (answer.ok ? ((await answer.json()) as ReadingView) : null))
      .catch(() => null)
      .then((answer) => {
        if (!isCurrent) return
        setLost(answer === null)
        if (answer) setView(answer)
      })
    return () => {
      isCurrent = false
    }
  }, [file.id, span])

  function show(fromMs: number, toMs: number): void {
    const width = Math.max(NARROWEST_MS, Math.min(toMs - fromMs, whole.toMs - whole.fromMs))
    const from = Math.round(Math.min(Math.max(fromMs, whole.fromMs), whole.toMs - width))
    setSpan({ fromMs: from, toMs: Math.round(from + width) })
  }
  const width = span.toMs - span.fromMs
  const middle = span.fromMs + width / 2
  const isWhole = span.fromMs === whole.fromMs && span.toMs === whole.toMs
  return (
    <Box ref={box}>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mb: 1, '& button': { minHeight: { xs: 44, sm: 30 } } }}>
        <Button size="small" variant="outlined" onClick={() => show(middle - width / 4, middle + width / 4)}>
          Closer
        </Button>
        <Button
          size="small"
          variant="outlined"
          disabled={isWhole}
          onClick={() => show(span.fromMs - width / 2, span.toMs + width / 2)}
        >
          Wider
        </Button>
        <Button
          size="small"
          variant="outlined"
          disabled={span.fromMs <= whole.fromMs}
          onClick={() => show(span.fromMs - width / 2, span.toMs - width / 2)}
        >
          Earlier
        </Button>
        <Button
          size="small"
          variant="outlined"
          disabled={span.toMs >= whole.toMs}
          onClick={() => show(span.fromMs + width / 2, span.toMs + width / 2)}
        >
          Later
        </Button>
        <Button size="small" variant="outlined" disabled={isWhole} onClick={() => setSpan(whole)}>
          All of it
        </Button>
      </Box>
      <Typography variant="body2" role="status" sx={{ color: 'text.secondary', mb: 1 }}>
        {wallText(span.fromMs, file.zone, dates)} to {wallText(span.toMs, file.zone, dates)}. Draw across a chart to
        look closer.
      </Typography>
      {isLost && (
        <Notice title="The readings could not be fetched; nothing was lost.">Press one of the buttons again.</Notice>
      )}
      {view &&
        file.columns.map((column, index) => (
          <Strip
            key={index}
            name={column.name}
            quantity={column.quantity}
            points={view.columns[index] ?? []}
            span={view}
            zone={file.zone}
            onPick={show}
          />
        ))}
    </Box>
  )
}

type StripProps = {
  name: string
  quantity: ReadingQuantity
  points: ReadingView['columns'][number]
  span: Span
  zone: string
  onPick: (fromMs: number, toMs: number) => void
}

function Strip({ name, quantity, points, span, zone, onPick }: StripProps) {
  const preference = usePreference()
  const dates = useDates()
  const [drawn, setDrawn] = useState<readonly [from: number, to: number] | null>(null)
  const rows = useMemo(
    () =>
      points.map(([atMs, low, high]) => ({
        atMs,
        band: [inPreferredUnit(low, quantity, preference), inPreferredUnit(high, quantity, preference)],
      })),
    [points, quantity, preference],
  )
  const lowest = Math.min(...points.map(([, low]) => low))
  const highest = Math.max(...points.map(([, , high]) => high))
  const ticks =
    points.length > 0
      ? evenTicks(inPreferredUnit(lowest, quantity, preference), inPreferredUnit(highest, quantity, preference))
      : undefined
  const colour = colourOf(quantity)
  const unit = preferredUnit(quantity, preference).symbol
  const time = useMemo(() => timeTicks(zone, span.fromMs, span.toMs, dates), [zone, span.fromMs, span.toMs, dates])
  return (
    <ChartTools
      name={name}
      figures={() => ({
        head: ['time', `lowest, ${unit}`, `highest, ${unit}`],
        rows: everyNth(points, TABLE_ROWS).map(([atMs, low, high]) => [
          wallText(atMs, zone, dates),
          formatFigure(low, quantity, preference),
          formatFigure(high, quantity, preference),
        ]),
      })}
    >
      <Typography variant="body2" sx={{ color: colour, pl: 5 }}>
        {name}
        {points.length > 0 &&
          ` · lowest ${formatQuantity(lowest, quantity, preference)}, highest ${formatQuantity(highest, quantity, preference)}`}
      </Typography>
      <ChartFrame label={`${name} over time`} height={HEIGHT} isPicked>
        <ComposedChart
          data={rows}
          margin={{ top: 4, right: 20, bottom: 0, left: -10 }}
          accessibilityLayer={false}
          onMouseDown={({ activeLabel }) => {
            const at = Number(activeLabel)
            if (Number.isFinite(at)) setDrawn([at, at])
          }}
          onMouseMove={({ activeLabel }) => {
            const at = Number(activeLabel)
            if (drawn && Number.isFinite(at)) setDrawn([drawn[0], at])
          }}
          onMouseUp={() => {
            if (drawn && drawn[0] !== drawn[1]) onPick(Math.min(...drawn), Math.max(...drawn))
            setDrawn(null)
          }}
        >
          <CartesianGrid stroke="var(--mui-palette-divider)" />
          <XAxis
            dataKey="atMs"
            type="number"
            domain={[span.fromMs, span.toMs]}
            ticks={time.ticks}
            tickFormatter={time.text}
            tick={chartFont}
            stroke="var(--mui-palette-text-secondary)"
          />
          <YAxis
            type="number"
            domain={ticks ? [ticks[0]!, ticks.at(-1)!] : ['auto', 'auto']}
            ticks={ticks}
            tickFormatter={(y: number) => formatTick(y, preference)}
            tick={chartFont}
            stroke="none"
          />
          <ChartCursor
            along={(atMs) => wallText(atMs, zone, dates)}
            figure={(y) => `${formatTick(Number(y.toFixed(1)), preference)} ${unit}`}
          />
          {drawn && (
            <ReferenceArea x1={drawn[0]} x2={drawn[1]} fill="var(--mui-palette-text-secondary)" fillOpacity={0.2} />
          )}
          <Area
            dataKey="band"
            name={name}
            type="linear"
            stroke={colour}
            strokeWidth={1.5}
            fill={colour}
            fillOpacity={0.35}
            isAnimationActive={false}
            activeDot={false}
          />
        </ComposedChart>
      </ChartFrame>
    </ChartTools>
  )
}
