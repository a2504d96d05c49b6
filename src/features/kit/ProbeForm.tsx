'use client'

import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Probe } from '@/core/kit/schema'
import { differenceOf } from '@/core/quantity/units'
import { isMeasured } from '@/core/rules/input'
import { Choice } from '@/ui/Choice'
import { DocumentField } from '@/ui/DocumentField'
import { FormRow } from '@/ui/FormRow'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const FITTED = [
  ['wired', 'on its own wire'],
  ['inside', 'inside the controller'],
] as const

/** One probe: what it serves, where it is, what it survives. */
export function ProbeForm({ probe, index }: { probe: Probe; index: number }) {
  const response = usePart('response')
  const edit = useWorkingCopy((state) => state.edit)
  const inputs = response.inputs.filter(isMeasured).map(({ id, name }) => [id, name] as const)
  const place = `kit.probes.${index}`
  const difference = differenceOf(probe.quantity)
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2 }}>
        Probe {index + 1}{' '}
        <Button
          size="small"
          onClick={() => edit(`remove ${probe.name}`, ({ kit }) => void kit.probes.splice(index, 1))}
        >
          Remove
        </Button>
      </Typography>
      <FormRow label="Called">
        <DocumentField place={`${place}.name`} label={`name of probe ${index + 1}`} text={{ maxLength: 60 }} />
      </FormRow>
      <FormRow label="Reads">
        <DocumentField place={`${place}.input`} label={`input of ${probe.name}`} options={inputs} />
      </FormRow>
      <FormRow
        label="Where it is"
        hint="In the air or at the metal that matters; out of sun, lamp and the draught of its own fan"
      >
        <DocumentField
          place={`${place}.place`}
          label={`place of ${probe.name}`}
          text={{ placeholder: 'Height, distance, what it must not see' }}
        />
      </FormRow>
      <FormRow label="Survives" hint="From its leaflet; a probe hotter than that lies first and dies after">
        <DocumentField
          place={`${place}.survivesToC`}
          label={`${probe.name}, survives to`}
          quantity="temperature"
          mayBeEmpty
        />
      </FormRow>
      <FormRow label="Smallest change it shows">
        <DocumentField
          place={`${place}.resolution`}
          label={`${probe.name}, resolution`}
          quantity={difference}
          limits={[0.01, 20]}
        />
      </FormRow>
      <FormRow
        label="Good to"
        hint="From its leaflet, ±; Prove allows that much, and says where it is too much to tell"
      >
        {'± '}
        <DocumentField
          place={`${place}.accuracy`}
          label={`${probe.name}, accuracy`}
          quantity={difference}
          limits={[0, 20]}
          mayBeEmpty
        />
      </FormRow>
      <FormRow
        label="Fitted"
        hint="One that sits inside the controller cannot be unplugged to try what it does without"
      >
        <Choice
          label={`where ${probe.name} is fitted`}
          value={probe.builtIn ? 'inside' : 'wired'}
          options={FITTED}
          onChange={(where) =>
            edit(`${probe.name}: fitted`, ({ kit }) => void (kit.probes[index]!.builtIn = where === 'inside'))
          }
        />
      </FormRow>
    </>
  )
}
