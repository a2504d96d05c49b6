'use client'

import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Probe } from '@/core/kit/schema'
import { differenceOf } from '@/core/quantity/units'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'
import { QuantityField } from '@/ui/QuantityField'
import { TextLine } from '@/ui/TextLine'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

/** One probe: what it serves, where it is, what it survives. */
export function ProbeForm({ probe, index }: { probe: Probe; index: number }) {
  const { response } = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const change = (label: string, recipe: (held: Probe) => void) =>
    edit(
      `${probe.name}: ${label}`,
      ({ kit }) => {
        const held = kit.probes[index]
        if (held) recipe(held)
      },
      `probe-${index}-${label}`,
    )
  const inputs = response.inputs.flatMap((input) => (input.kind === 'switch' ? [] : [[input.id, input.name] as const]))
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
        <TextLine
          label={`name of probe ${index + 1}`}
          value={probe.name}
          maxLength={60}
          onDone={onDone}
          onChange={(text) => change('name', (held) => void (held.name = text))}
        />
      </FormRow>
      <FormRow label="Reads">
        <Choice
          label={`input of ${probe.name}`}
          value={probe.input}
          options={inputs}
          onChange={(input) => change('input', (held) => void (held.input = input))}
        />
      </FormRow>
      <FormRow
        label="Where it is"
        hint="In the air or at the metal that matters; out of sun, lamp and the draught of its own fan"
      >
        <TextLine
          label={`place of ${probe.name}`}
          placeholder="Height, distance, what it must not see"
          value={probe.place}
          onDone={onDone}
          onChange={(text) => change('place', (held) => void (held.place = text))}
        />
      </FormRow>
      <FormRow label="Survives" hint="From its leaflet; a probe hotter than that lies first and dies after">
        <QuantityField
          label={`${probe.name}, survives to`}
          quantity="temperature"
          value={probe.survivesToC}
          onDone={onDone}
          onClear={() => change('survives', (held) => void (held.survivesToC = null))}
          onChange={(x) => change('survives', (held) => void (held.survivesToC = x))}
        />
      </FormRow>
      <FormRow label="Smallest change it shows">
        <QuantityField
          label={`${probe.name}, resolution`}
          quantity={differenceOf(probe.quantity)}
          value={probe.resolution}
          limits={[0.01, 20]}
          onDone={onDone}
          onChange={(x) => change('resolution', (held) => void (held.resolution = x))}
        />
      </FormRow>
      <FormRow
        label="Good to"
        hint="From its leaflet, ±; Prove allows that much, and says where it is too much to tell"
      >
        {'± '}
        <QuantityField
          label={`${probe.name}, accuracy`}
          quantity={differenceOf(probe.quantity)}
          value={probe.accuracy ?? null}
          limits={[0, 20]}
          onDone={onDone}
          onClear={() => change('accuracy', (held) => void (held.accuracy = null))}
          onChange={(x) => change('accuracy', (held) => void (held.accuracy = x))}
        />
      </FormRow>
      <FormRow
        label="Fitted"
        hint="One that sits inside the controller cannot be unplugged to try what it does without"
      >
        <Choice
          label={`where ${probe.name} is fitted`}
          value={probe.builtIn ? 'inside' : 'wired'}
          options={[
            ['wired', 'on its own wire'],
            ['inside', 'inside the controller'],
          ]}
          onChange={(where) => change('fitted', (held) => void (held.builtIn = where === 'inside'))}
        />
      </FormRow>
    </>
  )
}
