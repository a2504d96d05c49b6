'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useRef, useState } from 'react'
import { formatPct } from '@/core/quantity/format'
import { dragHandle } from '@/ui/dragHandle'
import { PlacedLabels, type Label } from '@/ui/labels/PlacedLabels'
import { paletteVar } from '@/ui/paletteVar'
import { RailBar } from '@/ui/rail/RailBar'
import { Pointer, type RailProps } from '@/ui/rail/SpeedRail'
import { seenIf, useWidth } from '@/ui/useWidth'
import { usePreference } from '@/ui/preference'

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

const LABELS_PX = 14

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
      <Box ref={bar} sx={{ position: 'relative', height: { xs: 18, md: 30 }, mx: 0.25, mb: { xs: '-2px', md: 0.5 } }}>
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
      <Labels ticks={ticks} startPct={startPct} nowPct={nowPct} />
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

const Tick = ({ tick, onDrag, onStep, onEnd, onLeave }: TickProps) => {
  const preference = usePreference()
  return (
    <Box
      role="slider"
      tabIndex={0}
      aria-label={tick.name}
      aria-valuemin={tick.minPct}
      aria-valuemax={tick.maxPct}
      aria-valuenow={tick.pct}
      aria-valuetext={`${formatPct(tick.pct, preference)} %`}
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
        // Under a thumb the labels below it belong to it.
        bottom: { xs: -12, md: -5 },
        left: `calc(${tick.pct}% - 12px)`,
        width: 24,
        cursor: 'ew-resize',
        touchAction: 'none',
        '&:focus-visible': { outline: '2px solid', outlineColor: 'cause.speed' },
      }}
    >
      <Box
        sx={{
          position: 'absolute',
          left: 10.5,
          top: { xs: 4, md: 6 },
          bottom: { xs: 12, md: 4 },
          width: 3,
          bgcolor: tick.colour,
        }}
      />
    </Box>
  )
}

type LabelsProps = { ticks: readonly RailTick[]; startPct: number | null; nowPct: number | null }

/** What stands at the rail: its pointer, its ticks, its ends, and where the fan will not turn; as many as there is room for. */
function Labels({ ticks, startPct, nowPct }: LabelsProps) {
  const preference = usePreference()
  const [width, ref, isMeasured] = useWidth<SVGSVGElement>(780)
  const sides = ['right', 'left'] as const
  const at = (pct: number) => ({ x: (pct / 100) * width, y: LABELS_PX / 2, sides })
  const labels: Label[] = [
    ...(nowPct === null
      ? []
      : [{ text: `now ${Math.round(nowPct)} %`, ...at(nowPct), fill: paletteVar('cause.speed'), isBold: true }]),
    ...ticks.map(({ name, pct, colour }) => ({
      text: `${name} ${formatPct(pct, preference)}`,
      ...at(pct),
      ...(colour.startsWith('text.') ? {} : { fill: paletteVar(colour) }),
    })),
    { text: '0 %', ...at(0), stays: true },
    { text: '100 %', ...at(100), stays: true },
    ...(startPct !== null && startPct > 8 ? [{ text: 'will not turn', ...at(0) }] : []),
  ]
  return (
    <svg
      ref={ref}
      width="100%"
      height={LABELS_PX}
      aria-hidden="true"
      style={{ display: 'block', ...seenIf(isMeasured) }}
    >
      <PlacedLabels labels={labels} area={{ x: 0, y: 0, width, height: LABELS_PX }} />
    </svg>
  )
}
