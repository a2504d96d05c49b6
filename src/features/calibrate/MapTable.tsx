'use client'

import Checkbox from '@mui/material/Checkbox'
import TableCell from '@mui/material/TableCell'
import Typography from '@mui/material/Typography'
import { signalAt } from '@/core/physics/signal'
import { signalText } from '@/core/physics/signalText'
import { readingFlowLs } from '@/core/calibration/flowMap'
import type { FanCalibration, MapReading } from '@/core/calibration/schema'
import type { DerivedFan } from '@/core/derive/derive'
import { formatNumber, formatQuantity } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import type { ChangeCalibration } from '@/features/calibrate/changeCalibration'
import { EditableRow, EditableTable } from '@/ui/EditableTable'
import { QuantityField } from '@/ui/QuantityField'
import { usePreference } from '@/ui/preference'
import { MONO } from '@/ui/theme'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { calibration: FanCalibration; derived: DerivedFan; onChange: ChangeCalibration }

const HEADINGS = [
  'Set, %',
  'Signal',
  'Tacho, rpm',
  'Air, m/s',
  'Flow read',
  'Flow',
  'Against the fan law',
  'dB(A)',
  'Watts',
  'With',
  'Excluded',
]

/** The readings, in order of setting: type what the instrument shows; flow, law and deviation follow. */
export function MapTable({ calibration, derived, onChange }: Props) {
  const onDone = useWorkingCopy((state) => state.endGesture)
  const rows = calibration.map
    .map((reading, index) => ({ reading, index }))
    .sort((a, b) => a.reading.settingPct - b.reading.settingPct)
  return (
    <>
      <EditableTable
        label="readings"
        headings={HEADINGS}
        sx={{
          '& td': { fontFamily: MONO, fontSize: '0.875rem', textAlign: 'right', whiteSpace: 'nowrap' },
          '& td.words': { fontFamily: 'inherit', fontSize: '0.8125rem' },
          '& th': { textAlign: 'right', color: 'text.secondary', fontSize: '0.8125rem', lineHeight: 1.25 },
          '& td, & th': { px: { xs: 2, md: 0.75 } },
        }}
      >
        {rows.map(({ reading, index }) => (
          <ReadingRow
            key={reading.id}
            reading={reading}
            index={index}
            calibration={calibration}
            derived={derived}
            onChange={onChange}
          />
        ))}
      </EditableTable>
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
    </>
  )
}

type RowProps = Props & { reading: MapReading; index: number }
type Read = { key: 'rpm' | 'velocityMs' | 'flowLs' | 'soundDb' | 'powerW'; quantity: Quantity; label: string }

const RPM: Read = { key: 'rpm', quantity: 'rotation', label: 'tacho' }
const VELOCITY: Read = { key: 'velocityMs', quantity: 'airSpeed', label: 'velocity' }
const FLOW: Read = { key: 'flowLs', quantity: 'flow', label: 'flow' }
const SOUND: Read = { key: 'soundDb', quantity: 'sound', label: 'sound' }
const POWER: Read = { key: 'powerW', quantity: 'power', label: 'power' }

function ReadingRow({ reading, index, calibration, derived, onChange }: RowProps) {
  const preference = usePreference()
  const { instruments = [] } = usePart('calibration')
  const onDone = useWorkingCopy((state) => state.endGesture)
  const signal = signalAt(derived.fan.signal, reading.settingPct)
  const flowLs = readingFlowLs(reading, calibration.areaM2)
  const points = derived.flow?.kind === 'map' ? derived.flow.map.points : []
  const point = points.find((candidate) => candidate.reading.id === reading.id)
  const at = `${formatNumber(reading.settingPct, 0, preference)} %`
  const field = ({ key, quantity, label }: Read) => (
    <QuantityField
      label={`${label} at ${at}`}
      quantity={quantity}
      value={reading[key] ?? null}
      showUnit={false}
      onDone={onDone}
      onClear={() => onChange(label, (held) => void (held.map[index]![key] = null))}
      onChange={(x) => onChange(label, (held) => void (held.map[index]![key] = x), `${reading.id}-${key}`)}
    />
  )
  return (
    <EditableRow
      name={`the reading at ${at}`}
      isFaint={reading.setAside}
      title={reading.note}
      onRemove={() => onChange('remove a reading', (held) => void held.map.splice(index, 1))}
    >
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
      <TableCell>{signalText(signal, preference)}</TableCell>
      <TableCell>{field(RPM)}</TableCell>
      <TableCell>{field(VELOCITY)}</TableCell>
      <TableCell>{field(FLOW)}</TableCell>
      <TableCell>{flowLs === null ? '–' : formatQuantity(flowLs, 'flow', preference)}</TableCell>
      <TableCell>{point ? `${formatNumber(point.offShare * 100, 0, preference)} %` : '–'}</TableCell>
      <TableCell>{field(SOUND)}</TableCell>
      <TableCell>{field(POWER)}</TableCell>
      <TableCell className="words">{instruments.find(({ id }) => id === reading.instrument)?.name ?? '–'}</TableCell>
      <TableCell>
        <Checkbox
          size="small"
          checked={reading.setAside}
          onChange={(_event, isExcluded) =>
            onChange(
              isExcluded ? 'exclude a reading' : 'use a reading again',
              (held) => void (held.map[index]!.setAside = isExcluded),
            )
          }
          slotProps={{ input: { 'aria-label': `exclude the reading at ${at}` } }}
          sx={{ p: 0.25 }}
        />
      </TableCell>
    </EditableRow>
  )
}
