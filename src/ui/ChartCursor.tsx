'use client'

import Box from '@mui/material/Box'
import { Tooltip, type TooltipContentProps } from 'recharts'
import { formatTick } from '@/core/quantity/format'
import { chartFont } from '@/ui/chart'

type Props = {
  /** The place along, in words: "18.5 °C", "Tue 14:20". */
  along: (x: number) => string
  /** A figure of the chart, in words; of a band its two ends. */
  figure?: (y: number) => string
}

/** The cursor of every chart: a line through it, and the figures it stands at, each under the name of its line. */
export const ChartCursor = ({ along, figure = formatTick }: Props) => (
  <Tooltip
    isAnimationActive={false}
    cursor={{ stroke: 'var(--mui-palette-text-primary)', strokeWidth: 1 }}
    content={(at) => <Standing at={at} along={along} figure={figure} />}
  />
)

type StandingProps = Required<Props> & { at: TooltipContentProps }

function Standing({ at: { active, payload, label }, along, figure }: StandingProps) {
  if (!active || payload.length === 0) return null
  const said = (value: unknown): string => (Array.isArray(value) ? value : [value]).map(Number).map(figure).join(' to ')
  return (
    <Box
      sx={{
        bgcolor: 'ground.sheet',
        border: 1,
        borderColor: 'text.primary',
        px: 1,
        py: 0.5,
        fontFamily: chartFont.fontFamily,
        fontSize: 12,
      }}
    >
      <b>{along(Number(label))}</b>
      {payload.map(({ name, value, graphicalItemId }) => (
        <div key={graphicalItemId}>
          {String(name)} {said(value)}
        </div>
      ))}
    </Box>
  )
}
