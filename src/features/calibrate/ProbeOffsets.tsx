'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import Typography from '@mui/material/Typography'
import type { Calibration, SensorReading } from '@/core/calibration/schema'
import { sensorOffset, type SensorVerdict } from '@/core/calibration/sensorOffset'
import type { Probe } from '@/core/kit/schema'
import { formatQuantity } from '@/core/quantity/format'
import { differenceOf } from '@/core/quantity/units'
import { isMeasured } from '@/core/rules/input'
import { QuantityField } from '@/ui/QuantityField'
import { usePreference } from '@/ui/preference'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const VERDICTS: Record<SensorVerdict['verdict'], string> = {
  good: 'The same at every point: an offset mends it.',
  'one-point': 'One point only: try another, well away from it.',
  bent: 'The error grows along the scale: no offset mends it. Clean it, move it, or change the probe.',
}

/** Each probe against a reference that hangs beside it; the offset goes into the response. */
export function ProbeOffsets() {
  const kit = usePart('kit')
  if (kit.probes.length === 0) return null
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h2">Probes against a reference</Typography>
      <Typography variant="body2">
        Hang the reference beside the probe and wait until both stand still; once cool or dry, once warm or damp.
      </Typography>
      {kit.probes.map((probe) => (
        <ProbeReadings key={probe.id} probe={probe} />
      ))}
    </Box>
  )
}

function ProbeReadings({ probe }: { probe: Probe }) {
  const calibration = usePart('calibration')
  const response = usePart('response')
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const preference = usePreference()
  const readings = calibration.sensors?.find(({ probe: id }) => id === probe.id)?.readings ?? []
  const found = sensorOffset(readings, probe.resolution)
  const input = response.inputs.find(({ id }) => id === probe.input)
  const difference = differenceOf(probe.quantity)
  const start = probe.quantity === 'temperature' ? 20 : 50

  const change = (recipe: (list: SensorReading[]) => void, key?: string) =>
    edit(
      `${probe.name}: reference`,
      ({ calibration: draft }: { calibration: Calibration }) => {
        draft.sensors ??= []
        let mine = draft.sensors.find((sensor) => sensor.probe === probe.id)
        if (!mine) {
          draft.sensors.push({ probe: probe.id, readings: [] })
          mine = draft.sensors[draft.sensors.length - 1]!
        }
        recipe(mine.readings)
      },
      key && `${probe.id}-${key}`,
    )

  return (
    <Box sx={{ borderLeft: '4px solid', borderColor: `cause.${probe.quantity}`, pl: 1.25, my: 1 }}>
      <Typography component="div">{probe.name}</Typography>
      {readings.map(({ reference, read }, index) => (
        <Typography component="div" variant="body2" key={index}>
          reference{' '}
          <QuantityField
            label={`${probe.name}, reference ${index + 1}`}
            quantity={probe.quantity}
            value={reference}
            onDone={onDone}
            onChange={(x) => change((list) => void (list[index]!.reference = x), `reference-${index}`)}
          />
          , probe says{' '}
          <QuantityField
            label={`${probe.name}, says ${index + 1}`}
            quantity={probe.quantity}
            value={read}
            onDone={onDone}
            onChange={(x) => change((list) => void (list[index]!.read = x), `read-${index}`)}
          />
          <IconButton
            size="small"
            aria-label={`Remove point ${index + 1} of ${probe.name}`}
            onClick={() => change((list) => void list.splice(index, 1))}
          >
            ×
          </IconButton>
        </Typography>
      ))}
      <Button
        size="small"
        onClick={() => change((list) => void list.push({ reference: start, read: start }))}
        disabled={readings.length >= 10}
        sx={{ minHeight: { xs: 44, sm: 30 } }}
      >
        Add a point of {probe.name}
      </Button>
      {found && (
        <Typography component="div" variant="body2">
          Add {formatQuantity(found.offset, difference, preference)} to what it says. {VERDICTS[found.verdict]}{' '}
          {input && isMeasured(input) && found.verdict !== 'bent' && (input.offset ?? 0) !== found.offset && (
            <Button
              size="small"
              variant="outlined"
              sx={{ minHeight: { xs: 44, sm: 30 } }}
              onClick={() =>
                edit(`offset of ${probe.name}`, (draft) => {
                  const held = draft.response.inputs.find(({ id }) => id === probe.input)
                  if (held && isMeasured(held)) held.offset = found.offset
                })
              }
            >
              Use it for {input.name}
            </Button>
          )}
        </Typography>
      )}
    </Box>
  )
}
