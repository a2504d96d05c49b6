'use client'

import { paletteVar } from '@/ui/paletteVar'
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
  const wording = [
    startPct === null ? '' : `turns from ${startPct} %`,
    `floor ${floorPct} %`,
    boostPct === null ? '' : `boost ${boostPct} %`,
    `ceiling ${ceilingPct} %`,
    nowPct === null ? '' : `now ${Math.round(nowPct)} %`,
  ]
  return (
    <div
      role="img"
      aria-label={`Speed: ${wording.filter(Boolean).join(', ')}`}
      style={{ position: 'relative', height: 30, minWidth: 120 }}
    >
      <RailBar startPct={startPct} floorPct={floorPct} ceilingPct={ceilingPct} />
      <Tick pct={floorPct} colour={paletteVar('text.primary')} />
      <Tick pct={ceilingPct} colour={paletteVar('text.primary')} />
      {boostPct !== null && <Tick pct={boostPct} colour={paletteVar('cause.switch')} />}
      {nowPct !== null && <Pointer pct={nowPct} />}
    </div>
  )
}

// Places differ from rail to rail: as styles of their own they cost nothing, where a class for each would be made and sent a hundred times a page.

const Tick = ({ pct, colour }: { pct: number; colour: string }) => (
  <div
    style={{
      position: 'absolute',
      top: 8,
      bottom: 1,
      left: `calc(${pct}% - 1px)`,
      width: 2,
      backgroundColor: colour,
      printColorAdjust: 'exact',
    }}
  />
)

export const Pointer = ({ pct }: { pct: number }) => (
  <div style={{ position: 'absolute', top: 0, bottom: 1, left: `${pct}%` }}>
    <div
      style={{
        position: 'absolute',
        left: -7,
        top: 0,
        borderLeft: '7px solid transparent',
        borderRight: '7px solid transparent',
        borderTop: `10px solid ${paletteVar('cause.speed')}`,
      }}
    />
    <div
      style={{
        position: 'absolute',
        left: -1.5,
        top: 8,
        bottom: 0,
        width: 3,
        backgroundColor: paletteVar('cause.speed'),
      }}
    />
  </div>
)
