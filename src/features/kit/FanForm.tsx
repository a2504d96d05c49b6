'use client'

import { usePreference } from '@/ui/preference'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { ControllerModel } from '@/core/controller/schema'
import { BEARINGS, MOTOR_KINDS } from '@/core/kit/kinds'
import { type Fan } from '@/core/kit/schema'
import type { Signal } from '@/core/physics/signal'
import { formatPct, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { Choice } from '@/ui/Choice'
import { DocumentField } from '@/ui/DocumentField'
import { FormRow } from '@/ui/FormRow'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const SIGNALS = [
  ['ten', '0–10 V, ten volts is full', { kind: 'volts', convention: 'ten' }],
  ['two-to-ten', '2–10 V, two volts is 0 % (6 V is 50 %)', { kind: 'volts', convention: 'two-to-ten' }],
  ['ten-cut-off', '0–10 V, off below two volts (6 V is 60 %)', { kind: 'volts', convention: 'ten-cut-off' }],
  ['pwm', 'PWM duty', { kind: 'pwm', inverted: false }],
  ['pwm-inverted', 'PWM duty, inverted', { kind: 'pwm', inverted: true }],
  ['phase-cut', 'phase cut, 230 V supply (RMS volts)', { kind: 'phase-cut', supplyV: 230 }],
  ['relay', 'relay, on or off', { kind: 'relay' }],
] as const satisfies readonly (readonly [string, string, Signal])[]

/** Which of the choices this signal is; levels come with a file and are shown as what they are. */
const signalKey = (signal: Signal): string =>
  signal.kind === 'pwm'
    ? signal.inverted
      ? 'pwm-inverted'
      : 'pwm'
    : signal.kind === 'volts'
      ? signal.convention
      : signal.kind

const RATED = [
  { key: 'ratedFlowLs', label: 'Rated flow', quantity: 'flow' },
  { key: 'ratedRpm', label: 'Rated speed', quantity: 'rotation' },
  { key: 'ratedPowerW', label: 'Rated power', quantity: 'power' },
  { key: 'ratedCurrentA', label: 'Rated current', quantity: 'current' },
  { key: 'coolingFloorPct', label: 'Slowest that cools its motor', quantity: 'speed' },
] as const

/** What a fan does in the response; null for one that nothing drives yet. */
function partOf({ id }: Fan, { lead, followers, stages }: Response, preference: UnitPreference): string | null {
  if (id === lead) return 'leads'
  if (followers.some((follower) => follower.fan === id)) return 'follows'
  const joinsAt = stages?.fixed.find((stage) => stage.fan === id)?.joinsAtPct
  return joinsAt === undefined ? null : `joins at ${formatPct(joinsAt, preference)} % of the ladder`
}

function SignalChoice({ fan, index }: { fan: Fan; index: number }) {
  const edit = useWorkingCopy((state) => state.edit)
  return (
    <Choice
      label={`signal of ${fan.name}`}
      value={signalKey(fan.signal)}
      options={[
        ...SIGNALS.map(([key, text]): readonly [string, string] => [key, text]),
        ...(fan.signal.kind === 'levels' ? [['levels', 'levels of volts, from its file'] as const] : []),
      ]}
      onChange={(key) => {
        const signal = SIGNALS.find(([candidate]) => candidate === key)?.[2]
        if (signal) edit(`${fan.name}: signal`, ({ kit }) => void (kit.fans[index]!.signal = { ...signal }))
      }}
    />
  )
}

const MOTORS = MOTOR_KINDS.map((kind) => [kind, kind === 'unknown' ? 'motor not known' : `${kind} motor`] as const)
const BEARING_CHOICES = BEARINGS.map(
  (kind) => [kind, kind === 'unknown' ? 'bearings not known' : `${kind} bearings`] as const,
)

/** One fan: what it is, what it takes for a signal, what its plate says. */
export function FanForm({ fan, index, outputs }: { fan: Fan; index: number; outputs: ControllerModel['outputs'] }) {
  const response = usePart('response')
  const edit = useWorkingCopy((state) => state.edit)
  const part = partOf(fan, response, usePreference())
  const place = `kit.fans.${index}`
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2 }}>
        Fan {index + 1}, {part ?? 'not driven yet: add a rule “follows” under Respond'}
        {part === null && (
          <Button
            size="small"
            onClick={() =>
              edit(`remove ${fan.name}`, (draft) => {
                draft.kit.fans = draft.kit.fans.filter(({ id }) => id !== fan.id)
                draft.calibration.fans = draft.calibration.fans.filter(({ fan: id }) => id !== fan.id)
              })
            }
          >
            Remove
          </Button>
        )}
      </Typography>
      <FormRow label="Called">
        <DocumentField place={`${place}.name`} label={`name of fan ${index + 1}`} text={{ maxLength: 60 }} />
      </FormRow>
      <FormRow label="On output">
        <Choice
          label={`output of ${fan.name}`}
          value={fan.output ?? ''}
          options={[['', 'not wired yet'] as const, ...outputs.map(({ id, name }) => [id, name] as const)]}
          onChange={(output) =>
            edit(`${fan.name}: output`, ({ kit }) => void (kit.fans[index]!.output = output || null))
          }
        />
      </FormRow>
      <FormRow
        label="How many like it"
        hint="Fans or curtains that hang on this output together; plate figures are of one."
      >
        <DocumentField place={`${place}.count`} label={`${fan.name}, how many`} quantity="count" mayBeEmpty />
      </FormRow>
      <FormRow label="Signal it takes" hint="Two readings of 2–10 V are in use; the leaflet of the fan says which.">
        <SignalChoice fan={fan} index={index} />
      </FormRow>
      <FormRow
        label="Motor and bearings"
        hint="Three-phase, capacitor-start and electronically commutated motors may not be phase-cut."
      >
        <DocumentField place={`${place}.motor`} label={`motor of ${fan.name}`} options={MOTORS} />
        {', '}
        <DocumentField place={`${place}.bearings`} label={`bearings of ${fan.name}`} options={BEARING_CHOICES} />
      </FormRow>
      {RATED.map(({ key, label, quantity }) => (
        <FormRow key={key} label={label}>
          <DocumentField
            place={`${place}.${key}`}
            label={`${fan.name}, ${label.toLowerCase()}`}
            quantity={quantity}
            mayBeEmpty
          />
        </FormRow>
      ))}
    </>
  )
}
