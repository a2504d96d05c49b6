'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { moistAirState } from '@/core/calculation/air/moistAirState'
import { INSTRUMENT_KINDS, type Instrument } from '@/core/calibration/schema'
import { freeId } from '@/core/json/freeId'
import { airState, pressureAt } from '@/core/physics/moistAir'
import { formatQuantity } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import { DocumentField } from '@/ui/DocumentField'
import { FormRow } from '@/ui/FormRow'
import { QuantityField } from '@/ui/QuantityField'
import { CalculationWhy } from '@/ui/CalculationWhy'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

/** Instruments whose certificate says ± in their own unit. */
const ACCURACY_OF: Partial<Record<Instrument['kind'], Quantity>> = {
  thermometer: 'temperatureDifference',
  hygrometer: 'humidity',
  manometer: 'pressure',
  voltmeter: 'volts',
}

const STANDARD_AIR = { tempC: 20, humidityPct: 50, altitudeM: 0 }

const KINDS = INSTRUMENT_KINDS.map((kind) => [kind, kind.replace('-', ' ')] as const)

/** What the readings were taken with, and the air they were taken in. */
export function Instruments() {
  const { instruments = [] } = usePart('calibration')
  const edit = useWorkingCopy((state) => state.edit)
  const add = () =>
    edit('add an instrument', ({ calibration }) => {
      calibration.instruments ??= []
      const id = freeId(
        calibration.instruments.map((known) => known.id),
        'instrument',
      )
      calibration.instruments.push({ id, name: 'New instrument', kind: 'hood', accuracyPct: null, calibratedOn: null })
    })
  return (
    <Box sx={{ maxWidth: 780 }}>
      {instruments.length === 0 && (
        <Typography>
          None noted. A reading is worth as much as what it was taken with: note each instrument once, and every reading
          remembers it.
        </Typography>
      )}
      {instruments.map((instrument) => (
        <OneInstrument key={instrument.id} instrument={instrument} />
      ))}
      <Button
        variant="outlined"
        onClick={add}
        disabled={instruments.length >= 20}
        sx={{ minHeight: { xs: 56, sm: 36 } }}
      >
        Add an instrument
      </Button>
      <Typography variant="h2" sx={{ mt: 3 }}>
        Air while reading
      </Typography>
      <AirWhileReading />
    </Box>
  )
}

function OneInstrument({ instrument: { id, name, kind } }: { instrument: Instrument }) {
  const edit = useWorkingCopy((state) => state.edit)
  const place = `calibration.instruments.${id}`
  const ownUnit = ACCURACY_OF[kind]
  const remove = () =>
    edit('remove an instrument', ({ calibration }) => {
      calibration.instruments = calibration.instruments?.filter((known) => known.id !== id)
      for (const fan of calibration.fans)
        for (const reading of fan.map) if (reading.instrument === id) delete reading.instrument
    })
  return (
    <Box component="section" aria-label={name} sx={{ mb: 2 }}>
      <FormRow label="Instrument">
        <DocumentField place={`${place}.name`} label={`name of ${id}`} text={{ maxLength: 60, atLeast: ' ' }} />
      </FormRow>
      <FormRow label="Kind">
        <DocumentField place={`${place}.kind`} label={`kind of ${id}`} options={KINDS} />
        {', good to ± '}
        <DocumentField
          place={`${place}.accuracyPct`}
          label={`accuracy of ${id}`}
          quantity="share"
          limits={[0, 50]}
          mayBeEmpty
        />
        {' of the reading'}
        {ownUnit && (
          <>
            {' or ± '}
            <DocumentField
              place={`${place}.accuracy`}
              label={`accuracy of ${id}, in its unit`}
              quantity={ownUnit}
              limits={[0, 1000]}
              mayBeEmpty
            />
          </>
        )}
      </FormRow>
      <FormRow label="Last calibrated" hint="From its label or certificate. More than a year ago weakens what it read.">
        <DocumentField place={`${place}.calibratedOn`} label={`calibration date of ${id}`} day />{' '}
        <Button size="small" onClick={remove}>
          Remove {name}
        </Button>
      </FormRow>
    </Box>
  )
}

function AirWhileReading() {
  const calibration = usePart('calibration')
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const air = calibration.air ?? STANDARD_AIR
  const change = (key: keyof typeof STANDARD_AIR) => (value: number) =>
    edit('air while reading', (draft) => void (draft.calibration.air = { ...air, [key]: value }), `air-${key}`)
  return (
    <FormRow
      label="In the duct"
      hint={
        <>
          Density{' '}
          <CalculationWhy calculation={moistAirState} values={{ t: air.tempC, RH: air.humidityPct, z: air.altitudeM }}>
            {formatQuantity(airState(air.tempC, air.humidityPct, pressureAt(air.altitudeM)).densityKgM3, 'density')}
          </CalculationWhy>
          {calibration.air
            ? '; each new reading keeps it.'
            : '; standard air stands in until it is typed here. A fan moves the same volume of thin air, with less mass, pressure and power.'}
        </>
      }
    >
      <QuantityField
        label="air temperature while reading"
        quantity="temperature"
        value={air.tempC}
        limits={[-50, 300]}
        onDone={onDone}
        onChange={change('tempC')}
      />
      {', '}
      <QuantityField
        label="humidity while reading"
        quantity="humidity"
        value={air.humidityPct}
        onDone={onDone}
        onChange={change('humidityPct')}
      />
      {', '}
      <QuantityField
        label="height above sea level"
        quantity="altitude"
        value={air.altitudeM}
        limits={[-400, 5000]}
        onDone={onDone}
        onChange={change('altitudeM')}
      />{' '}
      above sea level
    </FormRow>
  )
}
