'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import Typography from '@mui/material/Typography'
import { saturationTemperature } from '@/core/calculation/refrigeration/saturationTemperature'
import { SPOT_VERDICTS, spotMarginK, spotVerdict } from '@/core/calibration/probeSpots'
import type { ProbeSpot } from '@/core/calibration/schema'
import { freeId } from '@/core/json/freeId'
import { dropAt, putAt } from '@/core/json/path'
import type { Probe } from '@/core/kit/schema'
import { SEA_LEVEL_PA } from '@/core/physics/moistAir'
import { REFRIGERANTS, saturationC, type Refrigerant } from '@/core/physics/saturation'
import { formatQuantity } from '@/core/quantity/format'
import { DocumentField } from '@/ui/DocumentField'
import { FormRow } from '@/ui/FormRow'
import { Notice } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { CalculationWhy } from '@/ui/CalculationWhy'
import { usePreference } from '@/ui/preference'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const ATMOSPHERE_KPA = SEA_LEVEL_PA / 1000

/** Places tried for a probe, what it read there mild and hard, and whether it can live and work there. */
export function ProbeSpots() {
  const kit = usePart('kit')
  const brief = usePart('brief')
  const calibration = usePart('calibration')
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
  const calibration = usePart('calibration')
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
            <CalculationWhy calculation={saturationTemperature} values={{ fluid, p: kpa, side: 'bubble' }}>
              {formatQuantity(targetC, 'temperature', preference)}
            </CalculationWhy>
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

type SpotsProps = { probe: Probe; targetC: number | null }

function SpotsOf({ probe, targetC }: SpotsProps) {
  const calibration = usePart('calibration')
  const edit = useWorkingCopy((state) => state.edit)
  const preference = usePreference()
  const spots = calibration.spots ?? []
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
      {spots
        .filter((spot) => spot.probe === probe.id)
        .map((spot, index) => (
          <Spot key={spot.id} spot={spot} index={index} probe={probe} targetC={targetC} />
        ))}
      <Button size="small" onClick={add} disabled={spots.length >= 40} sx={{ minHeight: { xs: 44, sm: 30 } }}>
        Try a spot for {probe.name}
      </Button>
    </Box>
  )
}

/** One spot that was tried: what the probe read there, mild and hardest, and whether it can stay. */
function Spot({ spot, index, probe, targetC }: SpotsProps & { spot: ProbeSpot; index: number }) {
  const edit = useWorkingCopy((state) => state.edit)
  const { id, place, mild, hard } = spot
  const at = `calibration.spots.${id}`
  const { verdict } = spotVerdict({ mild, hard }, { ...probe, targetC })
  const fits = verdict === 'good' || verdict === 'limit-unknown'
  return (
    <Box sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.75 }}>
      <DocumentField
        place={`${at}.place`}
        label={`place of spot ${index + 1}`}
        text={{ placeholder: 'Where: on what, how high, how far from the fan' }}
      />
      <Typography component="div" variant="body2">
        mild{' '}
        <DocumentField place={`${at}.mild`} label={`spot ${index + 1}, mild`} quantity={probe.quantity} mayBeEmpty />,
        hardest{' '}
        <DocumentField place={`${at}.hard`} label={`spot ${index + 1}, hardest`} quantity={probe.quantity} mayBeEmpty />
        :{' '}
        <b>
          {fits ? '✓ ' : '✕ '}
          {SPOT_VERDICTS[verdict]}
        </b>
        <IconButton
          size="small"
          aria-label={`Remove spot ${index + 1} of ${probe.name}`}
          onClick={() => edit('remove a spot', (draft) => dropAt(draft, at))}
        >
          ×
        </IconButton>
      </Typography>
      {fits && place.trim() !== '' && place !== probe.place && (
        <Button
          size="small"
          variant="outlined"
          sx={{ minHeight: { xs: 44, sm: 30 }, mr: 1 }}
          onClick={() => edit(`place of ${probe.name}`, (draft) => putAt(draft, `kit.probes.${probe.id}.place`, place))}
        >
          It sits here
        </Button>
      )}
      {place !== '' && place === probe.place && <Typography variant="body2">It sits here.</Typography>}
    </Box>
  )
}
