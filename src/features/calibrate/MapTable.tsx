'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import IconButton from '@mui/material/IconButton'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { readingFlowLs } from '@/core/calibration/flowMap'
import type { FanCalibration, MapReading } from '@/core/calibration/schema'
import type { DerivedFan } from '@/core/derive/derive'
import { formatNumber, formatQuantity } from '@/core/quantity/format'
import type { ChangeCalibration } from '@/features/calibrate/changeCalibration'
import { QuantityField } from '@/ui/QuantityField'
import { usePreference } from '@/ui/preference'
import { MONO } from '@/ui/theme'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { calibration: FanCalibration; derived: DerivedFan; onChange: ChangeCalibration }

/** The readings, in order of setting: type what the instrument shows; flow, law and deviation follow. */
export function MapTable({ calibration, derived, onChange }: Props) {
  const preference = usePreference()
  const { instruments = [] } = useDocument().calibration
  const onDone = useWorkingCopy((state) => state.endGesture)
  const rows = calibration.map
    .map((reading, index) => ({ reading, index }))
    .sort((a, b) => a.reading.settingPct - b.reading.settingPct)

  const field = (
    reading: MapReading,
    index: number,
    key: 'rpm' | 'velocityMs' | 'flowLs' | 'soundDb',
    quantity: 'rotation' | 'airSpeed' | 'flow' | 'sound',
    label: string,
  ) => (
    <QuantityField
      label={`${label} at ${formatNumber(reading.settingPct, 0)} %`}
      quantity={quantity}
      value={reading[key]}
      showUnit={false}
      onDone={onDone}
      onClear={() => onChange(label, (held) => void (held.map[index]![key] = null))}
      onChange={(x) => onChange(label, (held) => void (held.map[index]![key] = x), `${reading.id}-${key}`)}
    />
  )

  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table
        size="small"
        sx={{
          '& td': { fontFamily: MONO, fontSize: '0.875rem', textAlign: 'right', whiteSpace: 'nowrap' },
          '& td.words': { fontFamily: 'inherit', fontSize: '0.8125rem' },
          '& th': { textAlign: 'right', color: 'text.secondary', fontSize: '0.8125rem', whiteSpace: 'nowrap' },
        }}
      >
        <TableHead>
          <TableRow>
            <TableCell>Set, %</TableCell>
            <TableCell>Signal</TableCell>
            <TableCell>Tacho, rpm</TableCell>
            <TableCell>Air, m/s</TableCell>
            <TableCell>Flow read</TableCell>
            <TableCell>Flow</TableCell>
            <TableCell>Off law</TableCell>
            <TableCell>Sound, dB</TableCell>
            <TableCell>With</TableCell>
            <TableCell>SwitchedOff</TableCell>
            <TableCell component="td" />
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(({ reading, index }) => {
            const signal = derived.signal(reading.settingPct)
            const flowLs = readingFlowLs(reading, calibration.areaM2)
            const point =
              derived.flow?.kind === 'map'
                ? derived.flow.map.points.find((candidate) => candidate.reading.id === reading.id)
                : undefined
            return (
              <TableRow key={reading.id} sx={{ opacity: reading.setAside ? 0.72 : 1 }} title={reading.note}>
                <TableCell>
                  <QuantityField
                    label={`setting of reading ${reading.id}`}
                    quantity="speed"
                    value={reading.settingPct}
                    showUnit={false}
                    onDone={onDone}
                    onChange={(pct) =>
                      onChange('setting', (held) => void (held.map[index]!.settingPct = pct), `${reading.id}-set`)
                    }
                  />
                </TableCell>
                <TableCell>
                  {formatNumber(signal.value, signal.unit === 'V' ? 2 : 0)} {signal.unit}
                </TableCell>
                <TableCell>{field(reading, index, 'rpm', 'rotation', 'tacho')}</TableCell>
                <TableCell>{field(reading, index, 'velocityMs', 'airSpeed', 'velocity')}</TableCell>
                <TableCell>{field(reading, index, 'flowLs', 'flow', 'flow')}</TableCell>
                <TableCell>{flowLs === null ? '–' : formatQuantity(flowLs, 'flow', preference)}</TableCell>
                <TableCell>{point ? `${formatNumber(point.offShare * 100, 0)} %` : '–'}</TableCell>
                <TableCell>{field(reading, index, 'soundDb', 'sound', 'sound')}</TableCell>
                <TableCell className="words">
                  {instruments.find(({ id }) => id === reading.instrument)?.name ?? '–'}
                </TableCell>
                <TableCell>
                  <Checkbox
                    size="small"
                    checked={reading.setAside}
                    onChange={(_event, isAside) =>
                      onChange(
                        isAside ? 'set aside' : 'use again',
                        (held) => void (held.map[index]!.setAside = isAside),
                      )
                    }
                    slotProps={{
                      input: { 'aria-label': `set aside the reading at ${formatNumber(reading.settingPct, 0)} %` },
                    }}
                    sx={{ p: 0.25 }}
                  />
                </TableCell>
                <TableCell>
                  <IconButton
                    size="small"
                    aria-label={`remove the reading at ${formatNumber(reading.settingPct, 0)} %`}
                    onClick={() => onChange('remove a reading', (held) => void held.map.splice(index, 1))}
                    sx={{ minWidth: { xs: 44, sm: 28 } }}
                  >
                    ×
                  </IconButton>
                </TableCell>
              </TableRow>
            )
          })}
        </TableBody>
      </Table>
      <Typography component="div" variant="body2" sx={{ my: 1 }}>
        Free area of the duct for velocities:{' '}
        <QuantityField
          label="free area of the duct"
          quantity="area"
          value={calibration.areaM2}
          limits={[0.0001, 100]}
          onDone={onDone}
          onClear={() => onChange('area', (held) => void (held.areaM2 = null))}
          onChange={(areaM2) => onChange('area', (held) => void (held.areaM2 = areaM2), 'area')}
        />
      </Typography>
    </Box>
  )
}
