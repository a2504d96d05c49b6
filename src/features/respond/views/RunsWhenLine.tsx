'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { DAY_KINDS, spellsOf, type DayKind, type RunsWhen } from '@/core/look/runsWhen'
import { clockText } from '@/core/quantity/clock'
import { formatPct, formatTime } from '@/core/quantity/format'
import { weekClockText } from '@/core/rules/localClock'
import { Choice } from '@/ui/Choice'
import { DAY_OPTIONS } from '@/ui/DaysField'
import { labelWidthPx } from '@/ui/labels/placeLabels'
import { useDates, usePreference } from '@/ui/preference'
import { useWidth } from '@/ui/useWidth'

const KINDS: readonly (readonly [DayKind, string])[] = [
  ['ordinary', 'an ordinary day'],
  ['forward', 'the day the clocks go forward at 2'],
  ['back', 'the day the clocks go back at 2'],
]

/** What runs when on one day, with everything but the clock as in Try it, and the longest time without air in the week. */
export function RunsWhenLine({ runs }: { runs: RunsWhen | null }) {
  const preference = usePreference()
  const [day, setDay] = useState('1')
  const [kind, setKind] = useState<DayKind>(DAY_KINDS[0])
  const [width, ref] = useWidth<HTMLDivElement>(600)
  const dates = useDates()
  if (!runs) return null
  const spells = spellsOf(runs, Number(day), kind)
  const whole = spells.at(-1)?.toMin ?? 1440
  return (
    <Box component="section" aria-label="What runs when">
      <Typography variant="body2" component="div">
        What runs on <Choice label="day shown" value={day} options={DAY_OPTIONS} onChange={setDay} />,{' '}
        <Choice label="kind of day" value={kind} options={KINDS} onChange={setKind} /> (
        {formatTime(whole * 60, preference)}), with everything but the clock as in Try it:
      </Typography>
      <Box
        ref={ref}
        sx={{ display: 'flex', height: 34, border: 1, borderColor: 'divider', my: 0.5, position: 'relative' }}
      >
        {spells.map(({ fromMin, toMin, clockMin, pct }) => (
          <Box
            key={fromMin}
            title={`from ${clockText(clockMin, dates)}: ${formatPct(pct, preference)} %`}
            sx={{ width: `${((toMin - fromMin) / whole) * 100}%`, position: 'relative', overflow: 'hidden' }}
          >
            <Box
              sx={{
                position: 'absolute',
                bottom: 0,
                width: '100%',
                height: `${pct}%`,
                bgcolor: 'cause.time',
                opacity: 0.35,
              }}
            />
            {((toMin - fromMin) / whole) * width > labelWidthPx(`${clockText(0, dates)} 100`) && (
              <Typography
                variant="figure"
                component="span"
                sx={{ position: 'relative', fontSize: '0.75rem', px: 0.25, whiteSpace: 'nowrap' }}
              >
                {clockText(clockMin, dates)} {formatPct(pct, preference)}
              </Typography>
            )}
          </Box>
        ))}
      </Box>
      <Typography variant="body2">
        {runs.stillFromMin === null
          ? 'Some fan turns at every minute of the week.'
          : `Longest time without air: ${formatTime(runs.longestStillS, preference)}, from ${weekClockText(runs.stillFromMin * 60, dates)}.`}
      </Typography>
    </Box>
  )
}
