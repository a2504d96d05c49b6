'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Chip from '@mui/material/Chip'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { FanCalibration } from '@/core/calibration/schema'
import { formatPct } from '@/core/quantity/format'
import type { ChangeCalibration } from '@/features/calibrate/CalibrateStage'
import { QuantityField } from '@/ui/QuantityField'
import { useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { calibration: FanCalibration; onChange: ChangeCalibration }

/** Start and stall: raise until it turns, lower until it stops, three times each; the highest counts. */
export function Trials({ calibration, onChange }: Props) {
  const onDone = useWorkingCopy((state) => state.endGesture)
  return (
    <Box sx={{ mt: 1.5, display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 }}>
      <Trial
        title="Raise until it turns"
        list={calibration.startsPct}
        onChange={(change) => onChange('start', (held) => change(held.startsPct))}
        firstPct={Math.max(...calibration.startsPct, 0) || 12}
      />
      <Trial
        title="Lower until it stops"
        list={calibration.stallsPct}
        onChange={(change) => onChange('stall', (held) => change(held.stallsPct))}
        firstPct={Math.max(...calibration.stallsPct, 0) || Math.max(0, Math.max(...calibration.startsPct, 0) - 3)}
      />
      <Typography component="div" variant="body2">
        Added so that it restarts by itself:{' '}
        <QuantityField
          label="restart margin"
          quantity="speed"
          limits={[0, 30]}
          value={calibration.restartMarginPct}
          onDone={onDone}
          onChange={(pct) => onChange('restart margin', (held) => void (held.restartMarginPct = pct), 'margin')}
        />
      </Typography>
    </Box>
  )
}

function Trial({
  title,
  list,
  onChange,
  firstPct,
}: {
  title: string
  list: readonly number[]
  onChange: (change: (list: number[]) => void) => void
  firstPct: number
}) {
  // Until it is turned it stands where the next trial is most likely: at the last one.
  const [turned, setPct] = useState<number | null>(null)
  const pct = turned ?? firstPct
  return (
    <Box>
      <Typography variant="h2">{title}</Typography>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap', my: 0.5 }}>
        <Button
          variant="outlined"
          onClick={() => setPct(Math.max(0, pct - 1))}
          aria-label={`${title}: one less`}
          sx={{ minWidth: { xs: 60, sm: 40 }, minHeight: { xs: 60, sm: 36 } }}
        >
          −
        </Button>
        <QuantityField label={title} quantity="speed" value={pct} onChange={setPct} />
        <Button
          variant="outlined"
          onClick={() => setPct(Math.min(100, pct + 1))}
          aria-label={`${title}: one more`}
          sx={{ minWidth: { xs: 60, sm: 40 }, minHeight: { xs: 60, sm: 36 } }}
        >
          +
        </Button>
        <Button
          variant="contained"
          onClick={() => onChange((held) => void held.push(pct))}
          sx={{ minHeight: { xs: 56, sm: 36 } }}
        >
          Note {formatPct(pct)} %
        </Button>
      </Box>
      {list.map((read, index) => (
        <Chip
          key={index}
          size="small"
          label={`${formatPct(read)} %`}
          onDelete={() => onChange((held) => void held.splice(index, 1))}
          sx={{ mr: 0.5 }}
        />
      ))}
    </Box>
  )
}
