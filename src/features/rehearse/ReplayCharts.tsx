'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useCallback, useMemo } from 'react'
import { CartesianGrid, ComposedChart, Line, ReferenceArea, ReferenceLine, XAxis, YAxis } from 'recharts'
import type { Target } from '@/core/brief/schema'
import { wallClock } from '@/core/formats/readingsCsv/zone'
import { evenTicks } from '@/core/quantity/evenTicks'
import { formatFigure, formatPct, inPreferredUnit, preferredUnit } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import { fanIdsOf } from '@/core/response/fanIds'
import type { Response } from '@/core/response/schema'
import { everyNth } from '@/core/json/everyNth'
import { inputCause } from '@/core/rules/sentence'
import type { Replay } from '@/core/rehearse/replay'
import type { Series } from '@/core/rehearse/series'
import { ActiveStrip } from '@/features/rehearse/ActiveStrip'
import { thin } from '@/features/rehearse/thin'
import { ChartCursor } from '@/ui/ChartCursor'
import { ChartFrame } from '@/ui/ChartFrame'
import { ChartTools } from '@/ui/ChartTools'
import { causeVar } from '@/ui/cause'
import { chartFont } from '@/ui/chart'
import { wallDay, wallTime } from '@/ui/clock'
import { usePreference } from '@/ui/preference'
import { timeTicks } from '@/ui/wallText'
import { usePart } from '@/ui/workingCopy/context'

const MOST_POINTS = 700
const TABLE_ROWS = 100

type Props = {
  series: Series
  replay: Replay
  response: Response
  target: Target | null
  /** The input that the target speaks of. */
  watched: string | null
  startsAtMs: number | null
  zone: string
}

/** Each input and the lead's speed over the same time, one above the other. */
export function ReplayCharts({ series, replay, response, target, watched, startsAtMs, zone }: Props) {
  const kit = usePart('kit')
  const preference = usePreference()
  const days = (series.atS.at(-1) ?? 0) / 86400
  // The hour on the chart is the hour on the logger.
  const wall = useMemo(() => wallClock(zone), [zone])
  const clock = (atS: number): string => {
    const wallMs = wall((startsAtMs ?? 0) + atS * 1000)
    const time = wallTime(wallMs, preference.dates)
    return days > 1.1 ? `${wallDay(wallMs, preference.dates)} ${time}` : time
  }
  const hours = useMemo(() => {
    const fromMs = startsAtMs ?? 0
    const { ticks, text } = timeTicks(zone, fromMs, fromMs + (series.atS.at(-1) ?? 0) * 1000, preference.dates)
    return { ticks: ticks.map((atMs) => (atMs - fromMs) / 1000), text: (atS: number) => text(fromMs + atS * 1000) }
  }, [series, startsAtMs, zone, preference])
  const fanIds = fanIdsOf(response)
  const shown = response.inputs.flatMap((input) => {
    const values = series.values[series.inputs.indexOf(input.id)]
    // What is held at one value is said beside the chart, not drawn.
    const moves = values?.some((value) => value !== values[0]) ?? false
    return values && moves && input.kind !== 'switch' ? [{ input, values }] : []
  })
  const nameOf = (id: string | undefined) => kit.fans.find((fan) => fan.id === id)?.name ?? id ?? ''
  const figures = () => ({
    head: [
      'time',
      ...shown.map(({ input }) => `${input.name}, ${preferredUnit(input.kind, preference).symbol}`),
      ...fanIds.map((id) => `${nameOf(id)}, %`),
    ],
    rows: everyNth([...series.atS.keys()], TABLE_ROWS).map(
      (row) =>
        [
          clock(series.atS[row]!),
          ...shown.map(({ input, values }) => formatFigure(values[row]!, input.kind, preference)),
          ...replay.fansPct.map((values) => formatPct(values[row]!, preference)),
        ] as const,
    ),
  })
  return (
    <ChartTools name="What was replayed" figures={figures}>
      <ActiveStrip replay={replay} response={response} clock={clock} />
      {shown.map(({ input, values }) => (
        <Strip
          key={input.id}
          name={`${input.name}, ${preferredUnit(input.kind, preference).symbol}`}
          colour={causeVar(inputCause(input))}
          atS={series.atS}
          values={values}
          quantity={input.kind}
          clock={clock}
          hours={hours}
          band={input.id === watched ? target : null}
        />
      ))}
      {replay.fansPct.map((values, index) => {
        const id = fanIds[index]
        return (
          <Strip
            key={index}
            name={`${nameOf(id)}, %`}
            colour="var(--mui-palette-cause-speed)"
            atS={series.atS}
            values={values}
            quantity="speed"
            clock={clock}
            hours={hours}
            band={null}
            isSpeed
          />
        )
      })}
    </ChartTools>
  )
}

type StripProps = {
  name: string
  colour: string
  atS: Float64Array
  values: Float64Array
  quantity: Quantity
  clock: (atS: number) => string
  hours: ReturnType<typeof timeTicks>
  band: Target | null
  isSpeed?: boolean
}

function Strip({ name, colour, atS, values, quantity, clock, hours, band, isSpeed = false }: StripProps) {
  const preference = usePreference()
  const show = useCallback((x: number) => inPreferredUnit(x, quantity, preference), [quantity, preference])
  const rows = useMemo(
    () => thin(values, MOST_POINTS).map((place) => ({ atS: atS[place]!, y: show(values[place]!) })),
    [atS, values, show],
  )
  const ticks = useMemo(() => {
    // Where nothing was read there is a gap.
    const read = rows.map(({ y }) => y).filter(Number.isFinite)
    return isSpeed || read.length === 0 ? [0, 50, 100] : evenTicks(Math.min(...read), Math.max(...read))
  }, [rows, isSpeed])
  const height = isSpeed ? 150 : 140
  return (
    <Box sx={{ mb: 0.5 }}>
      <Typography variant="body2" sx={{ color: colour, pl: 5 }}>
        {name}
      </Typography>
      <ChartFrame label={`${name} over time`} height={height}>
        <ComposedChart
          data={rows}
          syncId="rehearse"
          margin={{ top: 4, right: 20, bottom: 0, left: -10 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--mui-palette-divider)" />
          <XAxis
            dataKey="atS"
            type="number"
            domain={['dataMin', 'dataMax']}
            ticks={hours.ticks}
            tickFormatter={hours.text}
            interval="equidistantPreserveStart"
            minTickGap={14}
            tick={chartFont}
            stroke="var(--mui-palette-text-secondary)"
          />
          <YAxis type="number" domain={[ticks[0]!, ticks.at(-1)!]} ticks={ticks} tick={chartFont} stroke="none" />
          <ChartCursor along={clock} />
          {band && <ReferenceArea y1={show(band.bandFrom)} y2={show(band.bandTo)} fill={colour} fillOpacity={0.08} />}
          {band?.limitAbove != null && (
            <ReferenceLine
              y={show(band.limitAbove)}
              stroke="var(--mui-palette-error-main)"
              strokeDasharray="2 3"
              label={{
                value: 'limit',
                position: 'insideBottomRight',
                ...chartFont,
                fill: 'var(--mui-palette-error-main)',
              }}
            />
          )}
          <Line
            dataKey="y"
            name={name}
            type={isSpeed ? 'stepAfter' : 'linear'}
            stroke={colour}
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ChartFrame>
    </Box>
  )
}
