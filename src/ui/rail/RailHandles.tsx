'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useRef, useState } from 'react'
import { formatPct } from '@/core/quantity/format'
import { dragHandle } from '@/ui/dragHandle'
import { RailBar } from '@/ui/rail/RailBar'
import { Pointer, type RailProps } from '@/ui/rail/SpeedRail'

export type RailTick = {
  readonly id: string
  readonly name: string
  readonly pct: number
  readonly colour: string
  readonly minPct: number
  readonly maxPct: number
  /** Said when it is held at an end: "the floor cannot lie above the boost, 75 %". */
  readonly atMin: string
  readonly atMax: string
}

type Props = RailProps & {
  ticks: readonly RailTick[]
  stepPct: number
  onSet: (id: string, pct: number) => void
  onDone: () => void
}

// A label stands right of its tick, unless the next tick or the end of the rail is too near.
const LEFT = 'translateX(calc(-100% - 2px))'
const RIGHT = 'translateX(2px)'
// Clear of a label that itself stands left of the rail's end.
const FAR_LEFT = 'translateX(calc(-100% - 84px))'
const NEAR_END_PCT = 92

function isCrowded(ticks: readonly RailTick[], index: number): boolean {
  const [tick, next] = [ticks[index]!, ticks[index + 1]]
  return next !== undefined && next.pct - tick.pct < 10
}

/** The rail with ticks that can be dragged and moved by keys: one controller step a press, five with the page keys. */
export function RailHandles({ startPct, floorPct, ceilingPct, nowPct, ticks, stepPct, onSet, onDone }: Props) {
  const bar = useRef<HTMLDivElement>(null)
  const [held, setHeld] = useState<string | null>(null)
  const step = stepPct > 0 ? stepPct : 1

  function move(id: string, wantedPct: number): void {
    const tick = ticks.find((candidate) => candidate.id === id)
    if (!tick) return
    const stepped = Math.round(wantedPct / step) * step
    const pct = Math.min(tick.maxPct, Math.max(tick.minPct, Number(stepped.toFixed(4))))
    setHeld(stepped < tick.minPct ? tick.atMin : stepped > tick.maxPct ? tick.atMax : null)
    if (pct !== tick.pct) onSet(id, pct)
  }

  const pctAt = (clientX: number): number => {
    const box = bar.current?.getBoundingClientRect()
    return box ? ((clientX - box.left) / box.width) * 100 : 0
  }

  return (
    <Box>
      <Box ref={bar} sx={{ position: 'relative', height: 30, mx: 0.25 }}>
        <RailBar startPct={startPct} floorPct={floorPct} ceilingPct={ceilingPct} />
        {ticks.map((tick) => (
          <Tick
            key={tick.id}
            tick={tick}
            onDrag={(clientX) => move(tick.id, pctAt(clientX))}
            onStep={(right) => move(tick.id, tick.pct + right * step)}
            onEnd={onDone}
            onLeave={() => {
              setHeld(null)
              onDone()
            }}
          />
        ))}
        {nowPct !== null && (
          <Box sx={{ pointerEvents: 'none', position: 'absolute', inset: 0 }}>
            <Pointer pct={nowPct} />
          </Box>
        )}
      </Box>
      <Labels ticks={ticks} startPct={startPct} />
      <Typography role="status" variant="body2" sx={{ color: 'ground.warnInk', minHeight: held ? undefined : 0 }}>
        {held}
      </Typography>
    </Box>
  )
}

type TickProps = {
  tick: RailTick
  onDrag: (clientX: number) => void
  onStep: (right: number) => void
  onEnd: () => void
  onLeave: () => void
}

const Tick = ({ tick, onDrag, onStep, onEnd, onLeave }: TickProps) => (
  <Box
    role="slider"
    tabIndex={0}
    aria-label={tick.name}
    aria-valuemin={tick.minPct}
    aria-valuemax={tick.maxPct}
    aria-valuenow={tick.pct}
    aria-valuetext={`${formatPct(tick.pct)} %`}
    {...dragHandle({
      hasUp: false,
      onDrag,
      onStep,
      onEnd,
    })}
    onBlur={onLeave}
    sx={{
      position: 'absolute',
      top: 2,
      bottom: -5,
      left: `calc(${tick.pct}% - 12px)`,
      width: 24,
      cursor: 'ew-resize',
      touchAction: 'none',
      '&:focus-visible': { outline: '2px solid', outlineColor: 'cause.speed' },
    }}
  >
    <Box sx={{ position: 'absolute', left: 10.5, top: 6, bottom: 4, width: 3, bgcolor: tick.colour }} />
  </Box>
)

/** On which side of its tick a label stands. */
function sideOf(ticks: readonly RailTick[], index: number): string {
  const [tick, next] = [ticks[index]!, ticks[index + 1]]
  if (next && isCrowded(ticks, index)) return next.pct > NEAR_END_PCT ? FAR_LEFT : LEFT
  return tick.pct > NEAR_END_PCT ? LEFT : RIGHT
}

const Labels = ({ ticks, startPct }: { ticks: readonly RailTick[]; startPct: number | null }) => (
  <Box sx={{ position: 'relative', height: 18 }} aria-hidden="true">
    {startPct !== null && startPct > 8 && (
      <Typography
        variant="body2"
        sx={{
          position: 'absolute',
          left: 2,
          color: 'text.secondary',
          fontSize: '0.75rem',
          display: { xs: 'none', sm: 'block' },
        }}
      >
        will not turn
      </Typography>
    )}
    {ticks.map((tick, index) => (
      <Typography
        key={tick.id}
        variant="body2"
        sx={{
          position: 'absolute',
          left: `${tick.pct}%`,
          display: { xs: isCrowded(ticks, index) ? 'none' : 'block', sm: 'block' },
          transform: {
            xs: tick.pct > 65 ? LEFT : RIGHT,
            sm: sideOf(ticks, index),
          },
          whiteSpace: 'nowrap',
          fontSize: '0.75rem',
          color: tick.colour === 'text.primary' ? 'text.secondary' : tick.colour,
        }}
      >
        {tick.name} <b>{formatPct(tick.pct)}</b>
      </Typography>
    ))}
  </Box>
)
