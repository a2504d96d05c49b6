'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { signalAt } from '@/core/physics/signal'
import { signalText } from '@/core/physics/signalText'
import { emptyReading } from '@/core/calibration/empty'
import { sizedReadings } from '@/core/calibration/flowMap'
import { NEXT_READING_WHY, nextReading } from '@/core/calibration/nextReading'
import type { Calibration, FanCalibration, MapReading } from '@/core/calibration/schema'
import type { DerivedFan } from '@/core/derive/derive'
import { airState, pressureAt } from '@/core/physics/moistAir'
import { formatPct } from '@/core/quantity/format'
import type { ChangeCalibration } from '@/features/calibrate/changeCalibration'
import { Choice } from '@/ui/Choice'
import { QuantityField } from '@/ui/QuantityField'
import { Stopwatch } from '@/ui/Stopwatch'
import { today } from '@/ui/clock'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'
import { usePreference } from '@/ui/preference'

const FIELDS = [
  { key: 'flowLs', label: 'Flow', quantity: 'flow' },
  { key: 'velocityMs', label: 'Air speed', quantity: 'airSpeed' },
  { key: 'rpm', label: 'Rotation', quantity: 'rotation' },
  { key: 'soundDb', label: 'Sound', quantity: 'sound' },
] as const satisfies readonly { key: keyof MapReading; label: string; quantity: string }[]

/** A fan under a new setting is read once its speed stood this long; common practice, no source. */
const STEADY_S = 30

const isEmpty = (reading: MapReading): boolean => FIELDS.every(({ key }) => reading[key] === null)

type Props = { calibration: FanCalibration; derived: DerivedFan; onChange: ChangeCalibration }

/** The reading being taken: what to set, what the signal should be there, large fields for what is read; then the next one. */
export function ReadingInHand({ calibration, derived, onChange }: Props) {
  const [inHandId, setInHand] = useState<string | null>(null)
  const reading =
    calibration.map.find(({ id }) => id === inHandId) ?? calibration.map.find((candidate) => isEmpty(candidate))
  return reading ? (
    <InHand
      reading={reading}
      index={calibration.map.indexOf(reading)}
      derived={derived}
      onChange={onChange}
      onSaved={() => setInHand(null)}
    />
  ) : (
    <NextOne calibration={calibration} derived={derived} onChange={onChange} onAdded={setInHand} />
  )
}

/** A reading yet to be taken, with the air and the instrument that are noted. */
function freshReading(settingPct: number, { map }: FanCalibration, { air, instruments = [] }: Calibration): MapReading {
  const id = `m${1 + Math.max(0, ...map.map(({ id: known }) => Number(/\d+$/.exec(known)?.[0] ?? 0)))}`
  const instrument = map.findLast((known) => known.instrument)?.instrument ?? instruments[0]?.id
  return {
    ...emptyReading(id, settingPct),
    takenOn: today(),
    ...(instrument === undefined ? {} : { instrument }),
    ...(air && {
      densityKgM3: Number(airState(air.tempC, air.humidityPct, pressureAt(air.altitudeM)).densityKgM3.toFixed(4)),
    }),
  }
}

/** The setting at which the next reading tells most. */
function NextOne({ calibration, derived, onChange, onAdded }: Props & { onAdded: (id: string) => void }) {
  const preference = usePreference()
  const brief = usePart('brief')
  const response = usePart('response')
  const whole = usePart('calibration')
  const { fan, flow, startPct } = derived
  const requiredLs = fan.id === response.lead ? (brief.requiredFlow?.flowLs ?? null) : null
  const next = useMemo(
    () =>
      nextReading(
        sizedReadings(calibration),
        startPct === null ? 20 : startPct + calibration.restartMarginPct,
        flow,
        requiredLs,
      ),
    [calibration, flow, startPct, requiredLs],
  )
  const settingPct = next?.settingPct ?? 50
  const add = () => {
    const fresh = freshReading(settingPct, calibration, whole)
    onChange('add a reading', (held) => void held.map.push(fresh))
    onAdded(fresh.id)
  }
  return (
    <Box sx={{ my: 1, display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
      <Button
        variant={next ? 'contained' : 'outlined'}
        onClick={add}
        disabled={calibration.map.length >= 60}
        sx={{ minHeight: { xs: 56, sm: 36 }, width: { xs: '100%', sm: 'auto' } }}
      >
        Add a reading at {formatPct(settingPct, preference)} %
      </Button>
      <Typography variant="body2">
        {next ? `Next, ${NEXT_READING_WHY[next.why]}.` : 'The map has what it needs; more do no harm.'}
      </Typography>
    </Box>
  )
}

type InHandProps = {
  reading: MapReading
  index: number
  derived: DerivedFan
  onChange: ChangeCalibration
  onSaved: () => void
}

function InHand({ reading, index, derived, onChange, onSaved }: InHandProps) {
  const preference = usePreference()
  const onDone = useWorkingCopy((state) => state.endGesture)
  const signal = signalAt(derived.fan.signal, reading.settingPct)
  return (
    <Box
      component="section"
      aria-label="The reading in hand"
      sx={{ borderLeft: '4px solid', borderColor: 'cause.speed', pl: 1.5, my: 1 }}
    >
      <Typography component="div">
        Set the {derived.fan.name} to{' '}
        <QuantityField
          label="setting of the reading in hand"
          quantity="speed"
          value={reading.settingPct}
          step={1}
          onDone={onDone}
          onChange={(pct) =>
            onChange('setting', (held) => void (held.map[index]!.settingPct = pct), `${reading.id}-set`)
          }
        />{' '}
        (<b>{signalText(signal, preference)}</b> at its terminals), wait until its speed is steady, and type what you
        read:
      </Typography>
      <Stopwatch key={reading.id} steadyS={STEADY_S} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(4, auto) 1fr' }, gap: 1.5, my: 1 }}>
        {FIELDS.map(({ key, label, quantity }) => (
          <Box key={key}>
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              {label}
            </Typography>
            <QuantityField
              label={`${label} now`}
              quantity={quantity}
              value={reading[key]}
              large
              onDone={onDone}
              onClear={() => onChange(label, (held) => void (held.map[index]![key] = null))}
              onChange={(x) => onChange(label, (held) => void (held.map[index]![key] = x), `${reading.id}-${key}`)}
            />
          </Box>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          disabled={isEmpty(reading)}
          onClick={onSaved}
          sx={{ minHeight: { xs: 56, sm: 36 }, width: { xs: '100%', sm: 'auto' } }}
        >
          Save the reading
        </Button>
        {isEmpty(reading) && (
          <Button
            onClick={() => onChange('remove a reading', (held) => void held.map.splice(index, 1))}
            sx={{ minHeight: { xs: 44, sm: 36 } }}
          >
            Leave it out
          </Button>
        )}
        <TakenWith reading={reading} index={index} onChange={onChange} />
      </Box>
    </Box>
  )
}

function TakenWith({ reading, index, onChange }: Pick<InHandProps, 'reading' | 'index' | 'onChange'>) {
  const { instruments = [] } = usePart('calibration')
  return (
    <Typography variant="body2" component="div">
      with{' '}
      <Choice
        label="instrument of the reading in hand"
        value={reading.instrument ?? ''}
        options={[['', 'no instrument named'] as const, ...instruments.map(({ id, name }) => [id, name] as const)]}
        onChange={(id) =>
          onChange('instrument', (held) => {
            if (id) held.map[index]!.instrument = id
            else delete held.map[index]!.instrument
          })
        }
      />
    </Typography>
  )
}
