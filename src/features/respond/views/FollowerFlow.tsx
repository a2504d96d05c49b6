'use client'

import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { Line } from 'recharts'
import { formatPct, formatQuantity, preferredUnit, formatFigure } from '@/core/quantity/format'
import { flowBalance } from '@/core/look/flowBalance'
import type { Follower } from '@/core/response/schema'
import { FigureTable } from '@/features/respond/views/FigureTable'
import { Plot, type Axis } from '@/features/respond/views/Plot'
import type { ViewProps } from '@/features/respond/views/viewProps'
import { chartFont } from '@/ui/chart'
import { useInstant } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

const ROWS_EVERY = 5

/** Lead and followers in flow, and what that means for the pressure of the room. */
export function FollowerFlow({ hasTable }: ViewProps) {
  const { response } = useDocument()
  return response.followers.map((follower) => (
    <OneFollower key={follower.fan} follower={follower} hasTable={hasTable} />
  ))
}

function OneFollower({ follower, hasTable }: ViewProps & { follower: Follower }) {
  const { fans, lead, given } = useDerived()
  const { asked } = useInstant()
  const preference = usePreference()
  const fan = fans.find(({ fan: { id } }) => id === follower.fan)
  const leadMap = lead?.flow?.kind === 'map' ? lead.flow.map : null
  const ownMap = fan?.flow?.kind === 'map' ? fan.flow.map : null
  const rows = useMemo(
    () => (leadMap && ownMap ? flowBalance(given.response, follower, leadMap.flowAt, ownMap.flowAt) : []),
    [leadMap, ownMap, given.response, follower],
  )
  const drawn = useMemo(
    () => rows.map(({ leadPct, leadLs, followerLs }) => ({ x: leadPct, lead: leadLs, follower: followerLs })),
    [rows],
  )
  const leadName = lead?.fan.name ?? 'lead'
  const name = fan?.fan.name ?? follower.fan
  if (rows.length === 0)
    return (
      <Typography variant="body2">
        {name}: in percent it follows as its sentence says. In flow nothing can be said until both fans have a map: see
        Calibrate.
      </Typography>
    )
  const most = Math.max(...rows.flatMap(({ leadLs, followerLs }) => [leadLs, followerLs]))
  const unit = preferredUnit('flow', preference).symbol
  const y: Axis = {
    from: 0,
    to: Math.ceil(most / 50) * 50,
    format: (flow) => formatFigure(flow, 'flow', preference, 0),
  }
  const nowPct = asked?.evaluation.fans[0]?.speedPct ?? NaN
  const now = rows.find(({ leadPct }) => leadPct >= nowPct)
  const worst = rows.reduce((held, row) => (row.overLs > held.overLs ? row : held))
  return (
    <>
      {hasTable ? (
        <FigureTable
          label={`${leadName} and ${name} in flow`}
          head={[`${leadName}, %`, `${name}, %`, `${leadName}, ${unit}`, `${name}, ${unit}`, 'over, + pressure']}
          rows={rows
            .filter((_row, index) => index % ROWS_EVERY === 0)
            .map((row) => [
              formatPct(row.leadPct),
              formatPct(row.followerPct),
              ...[row.leadLs, row.followerLs, row.overLs].map((flow) => formatFigure(flow, 'flow', preference)),
            ])}
        />
      ) : (
        <Plot
          label={`${leadName} and ${name} in flow`}
          height={260}
          rows={drawn}
          x={{ from: 0, to: 100, unit: '%' }}
          y={y}
          overlay={(scale) => (
            <g>
              <text x={scale.plot.x + 4} y={scale.plot.y + 10} style={chartFont}>
                {unit} against percent of the {leadName}; solid {leadName}, dashed {name}
              </text>
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
      )}
      <Typography variant="body2">
        {now && (
          <>
            Now the {leadName} moves {formatQuantity(now.leadLs, 'flow', preference)} and the {name}{' '}
            {formatQuantity(now.followerLs, 'flow', preference)}: {pressureSaid(now.overLs)}
            {Math.round(Math.abs(now.overLs)) > 0 && (
              <> by {formatQuantity(Math.abs(now.overLs), 'flow', preference)}</>
            )}
            .{' '}
          </>
        )}
        Nearest to turning over at {formatPct(worst.leadPct)} %: {pressureSaid(worst.overLs)} by{' '}
        {formatQuantity(Math.abs(worst.overLs), 'flow', preference)}. The sign holds where the {leadName} takes air out
        and the {name} brings it in.
      </Typography>
    </>
  )
}

const pressureSaid = (overLs: number): string =>
  Math.round(overLs) === 0 ? '0, neither' : overLs < 0 ? '− suction' : '+ pressure'
