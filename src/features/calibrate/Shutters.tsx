'use client'

import Box from '@mui/material/Box'
import Chip from '@mui/material/Chip'
import Typography from '@mui/material/Typography'
import type { FanCalibration } from '@/core/calibration/schema'
import { formatNumber } from '@/core/quantity/format'
import type { ChangeCalibration } from '@/features/calibrate/changeCalibration'
import { QuantityField } from '@/ui/QuantityField'
import { Stopwatch } from '@/ui/Stopwatch'
import { useWorkingCopy } from '@/ui/workingCopy/context'
import { usePreference } from '@/ui/preference'

/** How long the shutters take to open, by stopwatch, and from which speed on they stay open. */
export function Shutters({ calibration, onChange }: { calibration: FanCalibration; onChange: ChangeCalibration }) {
  const preference = usePreference()
  const onDone = useWorkingCopy((state) => state.endGesture)
  const { opensInS, openFromPct } = calibration.shutters ?? { opensInS: [], openFromPct: null }
  const change = (label: string, recipe: (held: NonNullable<FanCalibration['shutters']>) => void, key?: string) =>
    onChange(
      label,
      (held) => {
        held.shutters ??= { opensInS: [], openFromPct: null }
        recipe(held.shutters)
      },
      key,
    )
  return (
    <Box sx={{ mt: 2, maxWidth: 420 }}>
      <Typography variant="h2">Shutters, if it has any</Typography>
      <Typography variant="body2">
        From rest at full: start the watch with the fan, stop it when they stand open.
      </Typography>
      <Stopwatch onStop={(timeS) => change('shutter time', (held) => void held.opensInS.push(timeS))} />
      {opensInS.map((timeS, index) => (
        <Chip
          key={index}
          size="small"
          label={`${formatNumber(timeS, 1, preference)} s`}
          onDelete={() => change('shutter time', (held) => void held.opensInS.splice(index, 1))}
          sx={{ mr: 0.5 }}
        />
      ))}
      <Typography component="div" variant="body2">
        They stay open from{' '}
        <QuantityField
          label="shutters stay open from"
          quantity="speed"
          value={openFromPct}
          onDone={onDone}
          onClear={() => change('shutters stay open', (held) => void (held.openFromPct = null))}
          onChange={(pct) => change('shutters stay open', (held) => void (held.openFromPct = pct), 'shutters-open')}
        />
      </Typography>
    </Box>
  )
}
