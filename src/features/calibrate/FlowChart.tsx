'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { CartesianGrid, ComposedChart, Line, ReferenceArea, ReferenceLine, Scatter, XAxis, YAxis } from 'recharts'
import { type FlowMap, flowLsAt, speedPctFor } from '@/core/calibration/flowMap'
import type { DerivedFan } from '@/core/derive/derive'
import { formatPct, formatQuantity, formatTick, inPreferredUnit, preferredUnit } from '@/core/quantity/format'
import { ChartCursor } from '@/ui/ChartCursor'
import { ChartFrame } from '@/ui/ChartFrame'
import { ChartTools } from '@/ui/ChartTools'
import { ChartHatch, chartFont, HATCH_FILL, LAW_LINE, settingAxis } from '@/ui/chart'
import { AxisLabels, type Label } from '@/ui/labels/PlacedLabels'
import { usePreference } from '@/ui/preference'
import { usePart } from '@/ui/workingCopy/context'

const HEIGHT = 250
const TABLE_EVERY_PCT = 5

type Show = (flowLs: number) => number

/** The map and the fan law at each percent of the setting. */
function curves(map: FlowMap, startPct: number | null, show: Show) {
  const law = map.points.find(({ lawLs }) => lawLs > 0)
  const perPct = law ? law.lawLs / law.reading.settingPct : 0
  return Array.from({ length: 101 }, (_, pct) => ({
    pct,
    flow: pct < (startPct ?? 0) ? null : show(flowLsAt(map, pct)),
    law: show(perPct * pct),
  }))
}

const readingsOf = ({ points }: FlowMap, isExcluded: boolean, show: Show) =>
  points
    .filter(({ setAside }) => setAside === isExcluded)
    .map(({ reading, flowLs }) => ({ pct: reading.settingPct, read: show(flowLs) }))

/** The lines from a flow that is required to the setting that gives it. */
function required(requiredLs: number, neededPct: number, show: Show) {
  const corner = { x: neededPct, y: show(requiredLs) }
  return [
    <ReferenceLine key="across" segment={[{ x: 0, y: corner.y }, corner]} stroke="var(--mui-palette-cause-speed)" />,
    <ReferenceLine key="down" segment={[{ x: neededPct, y: 0 }, corner]} stroke="var(--mui-palette-cause-speed)" />,
  ]
}

const NoMap = () => (
  <Box
    sx={{
      height: 120,
      display: 'grid',
      placeItems: 'center',
      border: 1,
      borderColor: 'divider',
      borderStyle: 'dashed',
      mb: 1,
    }}
  >
    <Typography>Read flow at three settings, for example 30, 60 and 100 %, and the map is drawn here.</Typography>
  </Box>
)

/** Speed to flow with its scatter, the fan-law line through the top reading, and what the required flow needs. */
export function FlowChart({ derived: { flow, fan, startPct } }: { derived: DerivedFan }) {
  const brief = usePart('brief')
  const response = usePart('response')
  const preference = usePreference()
  const map = flow?.kind === 'map' ? flow.map : null
  const show = useMemo(() => (flowLs: number) => inPreferredUnit(flowLs, 'flow', preference), [preference])
  const rows = useMemo(() => (map ? curves(map, startPct, show) : []), [map, show, startPct])
  if (!map) return <NoMap />
  const requiredLs = fan.id === response.lead ? brief.requiredFlow?.flowLs : undefined
  const neededPct = requiredLs === undefined ? null : speedPctFor(map, requiredLs)
  const labels: Label[] = [
    ...(requiredLs !== undefined && neededPct !== null
      ? [
          {
            text: `${formatQuantity(requiredLs, 'flow', preference)} needs ${formatPct(Math.ceil(neededPct - 1e-6), preference)} %`,
            x: neededPct,
            y: show(requiredLs) / 2,
            sides: ['right', 'left'] as const,
            fill: 'var(--mui-palette-cause-speed)',
          },
        ]
      : []),
    ...(startPct === null ? [] : [{ text: 'will not turn', x: 0, y: 0, sides: ['above right'] as const }]),
  ]
  const lines = rows.flatMap(({ pct, flow, law }) => [flow ?? law, law].map((y) => ({ x: pct, y })))
  const unit = preferredUnit('flow', preference).symbol
  const figure = (y: number | null) => (y === null ? '–' : formatTick(Number(y.toFixed(1)), preference))
  const figures = () => ({
    head: ['setting, %', `gives, ${unit}`, `fan law, ${unit}`],
    rows: rows
      .filter(({ pct }) => pct % TABLE_EVERY_PCT === 0)
      .map(({ pct, flow, law }) => [formatPct(pct, preference), figure(flow), figure(law)] as const),
  })
  return (
    <ChartTools name={`Flow of the ${fan.name}`} figures={figures}>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        ● reading &nbsp; ○ excluded &nbsp; ┄ fan law through the top reading · flow in {unit}
      </Typography>
      <ChartFrame
        label={`Flow of the ${fan.name} against its setting; the readings are in the table below`}
        height={HEIGHT}
      >
        <ComposedChart data={rows} margin={{ top: 10, right: 26, bottom: 4, left: -10 }} accessibilityLayer={false}>
          <ChartHatch />
          <CartesianGrid vertical={false} stroke="var(--mui-palette-divider)" />
          <XAxis {...settingAxis} />
          <YAxis type="number" tick={chartFont} stroke="none" />
          <ChartCursor along={(pct) => `set ${formatPct(pct, preference)} %`} />
          {startPct !== null && <ReferenceArea x1={0} x2={startPct} fill={HATCH_FILL} fillOpacity={1} />}
          <Line {...LAW_LINE} name="fan law" />
          <Line
            dataKey="flow"
            name="gives"
            stroke="var(--mui-palette-cause-speed)"
            strokeWidth={2.5}
            dot={false}
            isAnimationActive={false}
          />
          {requiredLs !== undefined && neededPct !== null && required(requiredLs, neededPct, show)}
          <Scatter
            data={readingsOf(map, false, show)}
            dataKey="read"
            name="read"
            tooltipType="none"
            fill="var(--mui-palette-text-primary)"
            isAnimationActive={false}
          />
          <Scatter
            data={readingsOf(map, true, show)}
            dataKey="read"
            tooltipType="none"
            fill="var(--mui-palette-ground-sheet)"
            stroke="var(--mui-palette-text-primary)"
            strokeWidth={2}
            isAnimationActive={false}
          />
          <AxisLabels labels={labels} keepOff={lines} />
        </ComposedChart>
      </ChartFrame>
    </ChartTools>
  )
}
