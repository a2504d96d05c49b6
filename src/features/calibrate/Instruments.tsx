'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { airState, pressureAt } from '@/core/physics/moistAir'
import { INSTRUMENT_KINDS, type Instrument } from '@/core/calibration/schema'
import { freeId } from '@/core/json/freeId'
import { formatQuantity } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import { moistAirState } from '@/core/calculation/air/moistAirState'
import { Choice } from '@/ui/Choice'
import { DateField } from '@/ui/DateField'
import { FormRow } from '@/ui/FormRow'
import { QuantityField } from '@/ui/QuantityField'
import { SumWhy } from '@/ui/SumWhy'
import { TextLine } from '@/ui/TextLine'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

/** Instruments whose certificate says ± in their own unit. */
const ACCURACY_OF: Partial<Record<Instrument['kind'], Quantity>> = {
  thermometer: 'temperatureDifference',
  hygrometer: 'humidity',
  manometer: 'pressure',
  voltmeter: 'volts',
}

const STANDARD_AIR = { tempC: 20, humidityPct: 50, altitudeM: 0 }

/** What the readings were taken with, and the air they were taken in. */
export function Instruments() {
  const { calibration } = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const instruments = calibration.instruments ?? []
  const air = calibration.air ?? STANDARD_AIR
  const change = (id: string, label: string, recipe: (held: Instrument) => void) =>
    edit(
      `${label} of an instrument`,
      (draft) => {
        const held = draft.calibration.instruments?.find((candidate) => candidate.id === id)
        if (held) recipe(held)
      },
      `instrument-${id}-${label}`,
    )
  const changeAir = (key: keyof typeof STANDARD_AIR, value: number) =>
    edit('air while reading', (draft) => void (draft.calibration.air = { ...air, [key]: value }), `air-${key}`)
  const add = () =>
    edit('add an instrument', (draft) => {
      draft.calibration.instruments ??= []
      const id = freeId(
        draft.calibration.instruments.map((known) => known.id),
        'instrument',
      )
      draft.calibration.instruments.push({
        id,
        name: 'New instrument',
        kind: 'hood',
        accuracyPct: null,
        calibratedOn: null,
      })
    })
  const remove = (id: string) =>
    edit('remove an instrument', (draft) => {
      draft.calibration.instruments = draft.calibration.instruments?.filter((known) => known.id !== id)
      for (const fan of draft.calibration.fans)
        for (const reading of fan.map) if (reading.instrument === id) delete reading.instrument
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
        <Box component="section" key={instrument.id} aria-label={instrument.name} sx={{ mb: 2 }}>
          <FormRow label="Instrument">
            <TextLine
              label={`name of ${instrument.id}`}
              value={instrument.name}
              maxLength={60}
              onDone={onDone}
              onChange={(text) => change(instrument.id, 'name', (held) => void (held.name = text || ' '))}
            />
          </FormRow>
          <FormRow label="Kind">
            <Choice
              label={`kind of ${instrument.id}`}
              value={instrument.kind}
              options={INSTRUMENT_KINDS.map((kind) => [kind, kind.replace('-', ' ')] as const)}
              onChange={(kind) => change(instrument.id, 'kind', (held) => void (held.kind = kind))}
            />
            {', good to ± '}
            <QuantityField
              label={`accuracy of ${instrument.id}`}
              quantity="share"
              limits={[0, 50]}
              value={instrument.accuracyPct}
              onDone={onDone}
              onClear={() => change(instrument.id, 'accuracy', (held) => void (held.accuracyPct = null))}
              onChange={(pct) => change(instrument.id, 'accuracy', (held) => void (held.accuracyPct = pct))}
            />
            {' of the reading'}
            {ACCURACY_OF[instrument.kind] && (
              <>
                {' or ± '}
                <QuantityField
                  label={`accuracy of ${instrument.id}, in its unit`}
                  quantity={ACCURACY_OF[instrument.kind]!}
                  limits={[0, 1000]}
                  value={instrument.accuracy ?? null}
                  onDone={onDone}
                  onClear={() => change(instrument.id, 'accuracy in its unit', (held) => void (held.accuracy = null))}
                  onChange={(x) => change(instrument.id, 'accuracy in its unit', (held) => void (held.accuracy = x))}
                />
              </>
            )}
          </FormRow>
          <FormRow
            label="Last calibrated"
            hint="From its label or certificate. More than a year ago weakens what it read."
          >
            <DateField
              label={`calibration date of ${instrument.id}`}
              value={instrument.calibratedOn}
              onChange={(day) => change(instrument.id, 'calibration', (held) => void (held.calibratedOn = day))}
            />{' '}
            <Button size="small" onClick={() => remove(instrument.id)}>
              Remove {instrument.name}
            </Button>
          </FormRow>
        </Box>
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
      <FormRow
        label="In the duct"
        hint={
          <>
            Density{' '}
            <SumWhy sum={moistAirState} values={{ t: air.tempC, RH: air.humidityPct, z: air.altitudeM }}>
              {formatQuantity(airState(air.tempC, air.humidityPct, pressureAt(air.altitudeM)).densityKgM3, 'density')}
            </SumWhy>
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
          onChange={(x) => changeAir('tempC', x)}
        />
        {', '}
        <QuantityField
          label="humidity while reading"
          quantity="humidity"
          value={air.humidityPct}
          onDone={onDone}
          onChange={(x) => changeAir('humidityPct', x)}
        />
        {', '}
        <QuantityField
          label="height over the sea"
          quantity="length"
          value={air.altitudeM}
          limits={[-400, 5000]}
          onDone={onDone}
          onChange={(x) => changeAir('altitudeM', x)}
        />{' '}
        over the sea
      </FormRow>
    </Box>
  )
}
