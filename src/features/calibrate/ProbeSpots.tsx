'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import Typography from '@mui/material/Typography'
import { SEA_LEVEL_PA } from '@/core/physics/moistAir'
import { SPOT_VERDICTS, spotMarginK, spotVerdict } from '@/core/calibration/probeSpots'
import type { ProbeSpot } from '@/core/calibration/schema'
import { freeId } from '@/core/json/freeId'
import type { Probe } from '@/core/kit/schema'
import { formatQuantity } from '@/core/quantity/format'
import { REFRIGERANTS, saturationC, type Refrigerant } from '@/core/physics/saturation'
import { saturationTemperature } from '@/core/calculation/refrigeration/saturationTemperature'
import { FormRow } from '@/ui/FormRow'
import { Notice } from '@/ui/Notice'
import { usePreference } from '@/ui/preference'
import { QuantityField } from '@/ui/QuantityField'
import { SumWhy } from '@/ui/SumWhy'
import { TextLine } from '@/ui/TextLine'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

const ATMOSPHERE_KPA = SEA_LEVEL_PA / 1000

/** Places tried for a probe, what it read there mild and hard, and whether it can live and work there. */
export function ProbeSpots() {
  const { kit, brief, calibration } = useDocument()
  const probes = kit.probes.filter(({ quantity }) => quantity === 'temperature')
  const fluid = REFRIGERANTS.find((id) => id === brief.answers?.fluid) ?? 'R-134a'
  const isCondenser = brief.duty === 'head-pressure'
  const { gaugeKpa } = calibration
  const targetC = isCondenser && gaugeKpa !== undefined ? saturationC(fluid, 'bubble', gaugeKpa + ATMOSPHERE_KPA) : NaN
  if (probes.length === 0)
    return (
      <Typography sx={{ mt: 2 }}>No temperature probe is noted under Kit; spots for one are tried here.</Typography>
    )
  return (
    <Box sx={{ mt: 3, maxWidth: 780 }}>
      <Typography variant="h2">Where the probe sits</Typography>
      {isCondenser && <Gauge fluid={fluid} targetC={targetC} />}
      {probes.map((probe) => (
        <SpotsOf key={probe.id} probe={probe} targetC={Number.isFinite(targetC) ? targetC : null} />
      ))}
      {brief.duty === 'stove-flue' && (
        <Notice grave title="Hot metal, carbon monoxide.">
          Find the spot with an infrared thermometer, not with a hand. Never rely on a fan to make a stove safe.
        </Notice>
      )}
    </Box>
  )
}

/** What the place should read: the condensing temperature from the gauges. */
function Gauge({ fluid, targetC }: { fluid: Refrigerant; targetC: number }) {
  const { calibration } = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const preference = usePreference()
  const kpa = calibration.gaugeKpa ?? null
  return (
    <FormRow
      label="High side on the gauges"
      hint={
        kpa === null ? (
          'Read by certified people, while the spots are read. What the probe should show follows.'
        ) : Number.isFinite(targetC) ? (
          <>
            {fluid} condenses at{' '}
            <SumWhy sum={saturationTemperature} values={{ fluid, p: kpa, side: 'bubble' }}>
              {formatQuantity(targetC, 'temperature', preference)}
            </SumWhy>
            : that is what a good spot reads.
          </>
        ) : (
          `${fluid} has no condensing temperature at this pressure: gauge or absolute, bar or kPa?`
        )
      }
    >
      <QuantityField
        label="high side on the gauges"
        quantity="gaugePressure"
        value={kpa}
        onDone={onDone}
        onClear={() => edit('gauge', (draft) => void delete draft.calibration.gaugeKpa)}
        onChange={(x) => edit('gauge', (draft) => void (draft.calibration.gaugeKpa = x), 'gauge')}
      />
    </FormRow>
  )
}

function SpotsOf({ probe, targetC }: { probe: Probe; targetC: number | null }) {
  const { calibration } = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const preference = usePreference()
  const spots = (calibration.spots ?? []).filter((spot) => spot.probe === probe.id)
  const change = (id: string, label: string, recipe: (held: ProbeSpot) => void) =>
    edit(
      `${probe.name}: ${label}`,
      (draft) => {
        const held = draft.calibration.spots?.find((spot) => spot.id === id)
        if (held) recipe(held)
      },
      `spot-${id}-${label}`,
    )
  const add = () =>
    edit(`${probe.name}: a spot`, (draft) => {
      draft.calibration.spots ??= []
      const id = freeId(
        draft.calibration.spots.map((known) => known.id),
        'spot',
      )
      draft.calibration.spots.push({ id, probe: probe.id, place: '', mild: null, hard: null })
    })
  return (
    <Box sx={{ borderLeft: '4px solid', borderColor: 'cause.temperature', pl: 1.25, my: 1.5 }}>
      <Typography component="div">
        {probe.name}:{' '}
        {probe.survivesToC === null
          ? 'what it survives is not known'
          : `survives ${formatQuantity(probe.survivesToC, 'temperature', preference)}, keep ${formatQuantity(spotMarginK(probe.survivesToC), 'temperatureDifference', preference)} below it`}
      </Typography>
      {spots.map(({ id, place, mild, hard }, index) => {
        const { verdict } = spotVerdict({ mild, hard }, { ...probe, targetC })
        const fits = verdict === 'good' || verdict === 'limit-unknown'
        return (
          <Box key={id} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.75 }}>
            <TextLine
              label={`place of spot ${index + 1}`}
              placeholder="Where: on what, how high, how far from the fan"
              value={place}
              onDone={onDone}
              onChange={(text) => change(id, 'place', (held) => void (held.place = text))}
            />
            <Typography component="div" variant="body2">
              mild{' '}
              <QuantityField
                label={`spot ${index + 1}, mild`}
                quantity={probe.quantity}
                value={mild}
                onDone={onDone}
                onClear={() => change(id, 'mild', (held) => void (held.mild = null))}
                onChange={(x) => change(id, 'mild', (held) => void (held.mild = x))}
              />
              , hardest{' '}
              <QuantityField
                label={`spot ${index + 1}, hardest`}
                quantity={probe.quantity}
                value={hard}
                onDone={onDone}
                onClear={() => change(id, 'hard', (held) => void (held.hard = null))}
                onChange={(x) => change(id, 'hard', (held) => void (held.hard = x))}
              />
              :{' '}
              <b>
                {fits ? '✓ ' : '✕ '}
                {SPOT_VERDICTS[verdict]}
              </b>
              <IconButton
                size="small"
                aria-label={`Remove spot ${index + 1} of ${probe.name}`}
                onClick={() =>
                  edit('remove a spot', (draft) => {
                    draft.calibration.spots = draft.calibration.spots?.filter((spot) => spot.id !== id)
                  })
                }
              >
                ×
              </IconButton>
            </Typography>
            {fits && place.trim() !== '' && place !== probe.place && (
              <Button
                size="small"
                variant="outlined"
                sx={{ minHeight: { xs: 44, sm: 30 }, mr: 1 }}
                onClick={() =>
                  edit(`place of ${probe.name}`, (draft) => {
                    const held = draft.kit.probes.find((known) => known.id === probe.id)
                    if (held) held.place = place
                  })
                }
              >
                It sits here
              </Button>
            )}
            {place !== '' && place === probe.place && <Typography variant="body2">It sits here.</Typography>}
          </Box>
        )
      })}
      <Button
        size="small"
        onClick={add}
        disabled={(calibration.spots ?? []).length >= 40}
        sx={{ minHeight: { xs: 44, sm: 30 } }}
      >
        Try a spot for {probe.name}
      </Button>
    </Box>
  )
}
