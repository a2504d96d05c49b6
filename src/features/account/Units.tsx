'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import {
  CUSTOMARY,
  FLOW_CHOICES,
  METRIC,
  TEMPERATURE_CHOICES,
  UNIT_CHOICES,
  type ChosenKind,
  type UnitPreference,
} from '@/core/quantity/format'
import { Section } from '@/features/account/Section'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'

type Props = {
  preference: UnitPreference
  onPreference: (choice: { temperatureUnit: string; flowUnit: string; units: object }) => Promise<unknown>
}

const NAMES: Readonly<Record<ChosenKind, string>> = {
  pressure: 'Pressure in ducts',
  gaugePressure: 'Pressure of refrigerants',
  airSpeed: 'Speed of air',
  length: 'Length',
  area: 'Area',
  volume: 'Volume',
  mass: 'Mass',
}

const asOptions = <T extends string>(choices: readonly T[]) => choices.map((one) => [one, one] as const)

/** In which units this person reads figures, kind by kind; what is typed may carry any unit. */
export function Units({ preference, onPreference }: Props) {
  const router = useRouter()
  const choose = ({ temperature, flow, units = {} }: UnitPreference) =>
    void onPreference({ temperatureUnit: temperature, flowUnit: flow, units }).then(() => router.refresh())
  return (
    <Section title="Units">
      <div id="units" />
      <Typography variant="body2" sx={{ mb: 1 }}>
        How figures are shown to you, on every page, record, card and table. What you type may carry any unit: 68F, 90
        cfm. Figures of a panel stand as the panel has them.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, mb: 1 }}>
        <Button size="small" variant="outlined" onClick={() => choose(METRIC)}>
          All metric
        </Button>
        <Button size="small" variant="outlined" onClick={() => choose(CUSTOMARY)}>
          All as in the United States
        </Button>
      </Box>
      <FormRow label="Temperature">
        <Choice
          label="unit of temperature"
          value={preference.temperature}
          options={TEMPERATURE_CHOICES.map((unit) => [unit, `°${unit}`] as const)}
          onChange={(temperature) => choose({ ...preference, temperature })}
        />
      </FormRow>
      <FormRow label="Flow">
        <Choice
          label="unit of flow"
          value={preference.flow}
          options={asOptions(FLOW_CHOICES)}
          onChange={(flow) => choose({ ...preference, flow })}
        />
      </FormRow>
      {(Object.entries(UNIT_CHOICES) as [ChosenKind, readonly string[]][]).map(([kind, choices]) => (
        <FormRow key={kind} label={NAMES[kind]}>
          <Choice
            label={`unit: ${NAMES[kind]}`}
            value={preference.units?.[kind] ?? choices[0]!}
            options={asOptions(choices)}
            onChange={(unit) => choose({ ...preference, units: { ...preference.units, [kind]: unit } })}
          />
        </FormRow>
      ))}
    </Section>
  )
}
