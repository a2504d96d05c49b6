'use client'

import Box from '@mui/material/Box'
import { RailBar } from '@/ui/rail/RailBar'

export type RailProps = {
  /** Below this the fan does not turn; null where nobody has read it. */
  startPct: number | null
  floorPct: number
  ceilingPct: number
  boostPct?: number | null
  nowPct: number | null
}

/** The bar from 0 to 100 % without handles: for rows of the yard and for the printed record. */
export function SpeedRail({ startPct, floorPct, ceilingPct, boostPct = null, nowPct }: RailProps) {
  const said = [
    startPct === null ? '' : `turns from ${startPct} %`,
    `floor ${floorPct} %`,
    boostPct === null ? '' : `boost ${boostPct} %`,
    `ceiling ${ceilingPct} %`,
    nowPct === null ? '' : `now ${Math.round(nowPct)} %`,
  ]
  return (
    <Box
      role="img"
      aria-label={`Speed: ${said.filter(Boolean).join(', ')}`}
      sx={{ position: 'relative', height: 30, minWidth: 120 }}
    >
      <RailBar startPct={startPct} floorPct={floorPct} ceilingPct={ceilingPct} />
      <Tick pct={floorPct} colour="text.primary" />
      <Tick pct={ceilingPct} colour="text.primary" />
      {boostPct !== null && <Tick pct={boostPct} colour="cause.switch" />}
      {nowPct !== null && <Pointer pct={nowPct} />}
    </Box>
  )
}

const Tick = ({ pct, colour }: { pct: number; colour: string }) => (
  <Box
    sx={{
      position: 'absolute',
      top: 8,
      bottom: 1,
      left: `calc(${pct}% - 1px)`,
      width: 2,
      bgcolor: colour,
      printColorAdjust: 'exact',
    }}
  />
)

export const Pointer = ({ pct }: { pct: number }) => (
  <Box sx={{ position: 'absolute', top: 0, bottom: 1, left: `${pct}%` }}>
    <Box
      sx={{
        position: 'absolute',
        left: -7,
        top: 0,
        borderLeft: '7px solid transparent',
        borderRight: '7px solid transparent',
        borderTop: '10px solid',
        borderTopColor: 'cause.speed',
      }}
    />
    <Box sx={{ position: 'absolute', left: -1.5, top: 8, bottom: 0, width: 3, bgcolor: 'cause.speed' }} />
  </Box>
)
