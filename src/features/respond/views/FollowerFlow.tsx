'use client'

import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { Line } from 'recharts'
import { flowBalance } from '@/core/calibration/flowBalance'
import { formatPct, formatQuantity, preferredUnit, formatFigure } from '@/core/quantity/format'
import type { Follower } from '@/core/response/schema'
import { FigureTable } from '@/ui/FigureTable'
import { Plot } from '@/features/respond/views/Plot'
import { quantityAxisFromZero } from '@/features/respond/views/quantityAxis'
import type { ViewProps } from '@/features/respond/views/viewProps'
import { useInstant } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived, usePart } from '@/ui/workingCopy/context'

const ROWS_EVERY = 5

/** Lead and followers in flow, and what that means for the pressure of the room. */
export function FollowerFlow({ hasTable }: ViewProps) {
  const response = usePart('response')
  return response.followers.map((follower) => (
    <OneFollower key={follower.fan} follower={follower} hasTable={hasTable} />
  ))
}

type Rows = ReturnType<typeof flowBalance>

function OneFollower({ follower, hasTable }: ViewProps & { follower: Follower }) {
  const { fans, lead, given } = useDerived()
  const fan = fans.find(({ fan: { id } }) => id === follower.fan)
  const leadMap = lead?.flow?.kind === 'map' ? lead.flow.map : null
  const ownMap = fan?.flow?.kind === 'map' ? fan.flow.map : null
  const rows = useMemo(
    () => (leadMap && ownMap ? flowBalance(given.response, follower, leadMap, ownMap) : []),
    [leadMap, ownMap, given.response, follower],
  )
  const names: Names = { lead: lead?.fan.name ?? 'lead', own: fan?.fan.name ?? follower.fan }
  if (rows.length === 0)
    return (
      <Typography variant="body2">
        {names.own}: in percent it follows as its sentence says. In flow nothing can be said until both fans have a map:
        see Calibrate.
      </Typography>
    )
  return (
    <>
      {hasTable ? <FlowTable rows={rows} names={names} /> : <FlowPlot rows={rows} names={names} />}
      <PressureNote rows={rows} names={names} />
    </>
  )
}

type Names = { readonly lead: string; readonly own: string }
type FlowProps = { rows: Rows; names: Names }

function FlowTable({ rows, names }: FlowProps) {
  const preference = usePreference()
  const unit = preferredUnit('flow', preference).symbol
  return (
    <FigureTable
      label={`${names.lead} and ${names.own} in flow`}
      head={[
        `${names.lead}, %`,
        `${names.own}, %`,
        `${names.lead}, ${unit}`,
        `${names.own}, ${unit}`,
        'over, + pressure',
      ]}
      rows={rows
        .filter((_row, index) => index % ROWS_EVERY === 0)
        .map((row) => [
          formatPct(row.leadPct, preference),
          formatPct(row.followerPct, preference),
          ...[row.leadLs, row.followerLs, row.overLs].map((flow) => formatFigure(flow, 'flow', preference)),
        ])}
    />
  )
}

/** The first row at or above what the lead is asked now. */
function useNow(rows: Rows): Rows[number] | undefined {
  const { asked } = useInstant()
  const nowPct = asked?.evaluation.fans[0]?.speedPct ?? NaN
  return rows.find(({ leadPct }) => leadPct >= nowPct)
}

function FlowPlot({ rows, names }: FlowProps) {
  const preference = usePreference()
  const now = useNow(rows)
  const drawn = useMemo(
    () => rows.map(({ leadPct, leadLs, followerLs }) => ({ x: leadPct, lead: leadLs, follower: followerLs })),
    [rows],
  )
  const most = Math.max(...rows.flatMap(({ leadLs, followerLs }) => [leadLs, followerLs]))
  const y = quantityAxisFromZero('flow', preference, most)
  const plot = (
    <Plot
      label={`${names.lead} and ${names.own} in flow`}
      height={260}
      rows={drawn}
      x={{ from: 0, to: 100, unit: '%' }}
      y={y}
      overlay={(scale) => (
        <g>
          {now && (
            <line
              x1={scale.toX(now.leadPct)}
              x2={scale.toX(now.leadPct)}
              y1={scale.toY(now.leadLs)}
              y2={scale.toY(now.followerLs)}
              stroke="var(--mui-palette-cause-pressure)"
              strokeWidth={4}
            />
          )}
        </g>
      )}
    >
      <Line
        dataKey="lead"
        stroke="var(--mui-palette-cause-speed)"
        strokeWidth={2.5}
        dot={false}
        isAnimationActive={false}
      />
      <Line
        dataKey="follower"
        stroke="var(--mui-palette-cause-pressure)"
        strokeWidth={2}
        strokeDasharray="5 4"
        dot={false}
        isAnimationActive={false}
      />
    </Plot>
  )
  return (
    <>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {preferredUnit('flow', preference).symbol} against percent of the {names.lead}; solid {names.lead}, dashed{' '}
        {names.own}
      </Typography>
      {plot}
    </>
  )
}

function PressureNote({ rows, names }: FlowProps) {
  const preference = usePreference()
  const now = useNow(rows)
  const worst = rows.reduce((held, row) => (row.overLs > held.overLs ? row : held))
  const flow = (ls: number) => formatQuantity(ls, 'flow', preference)
  return (
    <Typography variant="body2">
      {now && (
        <>
          Now the {names.lead} moves {flow(now.leadLs)} and the {names.own} {flow(now.followerLs)}:{' '}
          {pressureText(now.overLs)}
          {Math.round(Math.abs(now.overLs)) > 0 && <> by {flow(Math.abs(now.overLs))}</>}.{' '}
        </>
      )}
      Nearest to turning over at {formatPct(worst.leadPct, preference)} %: {pressureText(worst.overLs)} by{' '}
      {flow(Math.abs(worst.overLs))}. The sign holds where the {names.lead} takes air out and the {names.own} brings it
      in.
    </Typography>
  )
}

const pressureText = (overLs: number): string =>
  Math.round(overLs) === 0 ? '0, neither' : overLs < 0 ? '− suction' : '+ pressure'
