'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo, type ReactNode } from 'react'
import type { OtherSpans } from '@/core/look/weekStrips'
import { DAY_MIN, NAME_PX, share } from '@/features/respond/views/week/weekShape'
import { hatch } from '@/ui/rail/hatch'

const LANE_PX = 12

/** What runs on one day, 0 to 100 % high. */
export function Runs({ pct }: { pct: Float64Array }) {
  const path = useMemo(() => {
    const at = (minute: number) => (LANE_PX * (1 - pct[minute]! / 100)).toFixed(1)
    let drawn = `M0 ${LANE_PX}V${at(0)}`
    for (let minute = 1; minute < pct.length; minute++)
      if (Math.abs(pct[minute]! - pct[minute - 1]!) > 0.5) drawn += `H${minute}V${at(minute)}`
    return `${drawn}H${DAY_MIN}V${LANE_PX}Z`
  }, [pct])
  return (
    <svg
      viewBox={`0 0 ${DAY_MIN} ${LANE_PX}`}
      width="100%"
      height={LANE_PX}
      preserveAspectRatio="none"
      aria-hidden="true"
      style={{ display: 'block', background: 'var(--mui-palette-ground-wont)', marginTop: 1 }}
    >
      <path
        d={path}
        fill="var(--mui-palette-ground-tint)"
        stroke="var(--mui-palette-cause-speed)"
        strokeWidth={1.5}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  )
}

const LOOK = {
  runs: { height: 6, border: '1px solid var(--mui-palette-cause-time)', ...hatch },
  permitted: { height: 0, borderTop: '3px dashed var(--mui-palette-cause-temperature)' },
} as const

/** Hours of one day in which something else runs, or may. */
export const Others = ({ others, day }: { others: readonly OtherSpans[]; day: number }) => (
  <Box sx={{ position: 'relative', height: others.length > 0 ? 8 : 0 }} aria-hidden="true">
    {others.flatMap(({ how, pieces }, index) =>
      pieces
        .filter((piece) => piece.day === day)
        .map(({ fromMin, toMin }) => (
          <Box
            key={`${index}:${fromMin}`}
            sx={{ position: 'absolute', top: 1, left: share(fromMin), width: share(toMin - fromMin), ...LOOK[how] }}
          />
        )),
    )}
  </Box>
)

const Swatch = ({ look, children }: { look: object; children: ReactNode }) => (
  <Box component="span" sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.75, mr: 2 }}>
    <Box component="span" sx={{ width: 22, display: 'inline-block', ...look }} />
    {children}
  </Box>
)

/** What the lanes are, and in words for those who do not see them. */
export const Key = ({ others, hasRuns }: { others: readonly OtherSpans[]; hasRuns: boolean }) => (
  <Typography variant="body2" component="div" sx={{ color: 'text.secondary', ml: `${NAME_PX}px` }}>
    <Swatch look={{ height: 12, bgcolor: 'cause.time', opacity: 0.35 }}>asked by the week</Swatch>
    {hasRuns && (
      <Swatch look={{ height: 10, bgcolor: 'ground.tint', borderTop: 2, borderColor: 'cause.speed' }}>
        what runs, 0–100 %
      </Swatch>
    )}
    {others.map(({ name, how }, index) => (
      <Swatch key={index} look={LOOK[how]}>
        {name}
        {how === 'permitted' ? ', its hours' : ''}
      </Swatch>
    ))}
  </Typography>
)
