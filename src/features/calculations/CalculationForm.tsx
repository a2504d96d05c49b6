'use client'

import Box from '@mui/material/Box'
import Link from '@mui/material/Link'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import {
  formulaText,
  resultLines,
  runCalculation,
  startValues,
  type CalculationValue,
  type CalculationValues,
} from '@/core/calculation/runCalculation'
import type { AnyCalculation, CalculationInput, CalculationOutput } from '@/core/calculation/calculation'
import { quantitySpec } from '@/core/quantity/units'
import { problemText } from '@/core/words/problems'
import { ReadingsField } from '@/features/calculations/ReadingsField'
import { unitsOf, useOwnCalculations } from '@/features/calculations/ownCalculations'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'
import { Caution } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { TextButton } from '@/ui/TextButton'
import { usePreference } from '@/ui/preference'
import { MONO } from '@/ui/theme'

export type Target = { readonly id: string; readonly name: string }

type HandlingProps = {
  calculation: AnyCalculation
  /** Puts another beside it; null where there is no room. */
  onBeside: (() => void) | null
  /** Takes it away; null where it is the only one. */
  onClose: (() => void) | null
}

/** What is done with a calculation as a whole. */
function Handling({ calculation: { id, name }, onBeside, onClose }: HandlingProps) {
  const { favourites, toggleFavourite } = useOwnCalculations()
  return (
    <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mb: 1, typography: 'body2' }}>
      <TextButton onClick={() => toggleFavourite(id)}>
        {favourites.includes(id) ? '★ No longer a favourite' : '☆ Make it a favourite'}
      </TextButton>
      {onBeside && <TextButton onClick={onBeside}>Put another beside it</TextButton>}
      {onClose && (
        <TextButton label={`Take away: ${name}`} onClick={onClose}>
          Take it away
        </TextButton>
      )}
    </Box>
  )
}

type FormProps = HandlingProps & { given: CalculationValues; installations: readonly Target[] }

/** One calculation: its fields, the answer as one types, the formula with the values put in, its source. */
export function CalculationForm({ calculation, given, installations, onBeside, onClose }: FormProps) {
  const preference = usePreference()
  const [values, setValues] = useState<CalculationValues>(() => ({ ...startValues(calculation), ...given }))
  const outcome = runCalculation(calculation, values)
  const { units, readIn } = useOwnCalculations()
  // The unit of a result, where somebody has asked for another, here or the last time.
  const as = unitsOf(units, calculation.id)
  const lines = outcome.ok ? resultLines(calculation, outcome.value.results, preference, as) : []
  const flow = outcome.ok
    ? lines.findLast(({ key, value }) => calculation.outputs[key]?.quantity === 'flow' && value > 0)
    : undefined
  return (
    <Box sx={{ px: { xs: 2, md: 4 }, py: 2, maxWidth: 780 }}>
      <Typography variant="h1">{calculation.name}</Typography>
      <Handling calculation={calculation} onBeside={onBeside} onClose={onClose} />
      {Object.entries(calculation.inputs).map(([key, input]) => (
        <FormRow key={key} label={`${input.name.charAt(0).toUpperCase()}${input.name.slice(1)}`}>
          <CalculationField
            input={input}
            value={values[key] ?? input.start}
            onChange={(value) => setValues((before) => ({ ...before, [key]: value }))}
          />
        </FormRow>
      ))}
      <Box
        component="section"
        aria-label={`Result: ${calculation.name}`}
        aria-live="polite"
        sx={{ my: 2, borderLeft: '4px solid', borderColor: 'cause.speed', pl: 2 }}
      >
        {outcome.ok ? (
          lines.map(({ key, name, text }) => (
            <Box key={key} sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
              <Typography sx={{ width: 220, color: 'text.secondary' }}>{name}</Typography>
              <Typography
                data-testid={`result-${key}`}
                sx={{ fontFamily: MONO, fontSize: '1.375rem', fontWeight: 600, fontVariantNumeric: 'tabular-nums' }}
              >
                {text}
              </Typography>
              <UnitChoice
                output={calculation.outputs[key]!}
                chosen={as[key] ?? USUAL}
                onChoose={(symbol) => readIn(calculation.id, key, symbol)}
              />
            </Box>
          ))
        ) : (
          <Typography>{outcome.problems.map(problemText).join(' ')}</Typography>
        )}
        {outcome.ok && outcome.value.verdict && <Typography>{outcome.value.verdict}</Typography>}
      </Box>
      {calculation.caution && <Caution text={calculation.caution} />}
      <FormRow label="Formula">
        <Box component="span" sx={{ fontFamily: MONO, fontSize: '0.875rem', overflowWrap: 'anywhere' }}>
          {formulaText(calculation, null)}
        </Box>
      </FormRow>
      <FormRow label="With these values">
        <Box component="span" sx={{ fontFamily: MONO, fontSize: '0.875rem', overflowWrap: 'anywhere' }}>
          {formulaText(calculation, values, preference)}
        </Box>
      </FormRow>
      <FormRow label="Source">{calculation.source}</FormRow>
      {flow && installations.length > 0 && (
        <FormRow
          label="Use this in"
          hint={`${flow.name}, ${flow.text}, is offered in its Brief as the flow never to fall below.`}
        >
          {installations.map(({ id, name }, index) => (
            <span key={id}>
              {index > 0 && ' · '}
              <Link
                href={`/installation/${id}/brief?${new URLSearchParams({ flowLs: flow.value.toPrecision(6), why: calculation.name })}`}
              >
                {name}
              </Link>
            </span>
          ))}
        </FormRow>
      )}
    </Box>
  )
}

/** No unit: as it is usually said. */
const USUAL = '-'

/** Any other unit of a result; nothing where it has only one. */
function UnitChoice({
  output,
  chosen,
  onChoose,
}: {
  output: CalculationOutput
  chosen: string
  onChoose: (symbol: string) => void
}) {
  const { units } = quantitySpec(output.quantity)
  if (units.length < 2) return null
  return (
    <Choice
      label={`unit of ${output.name}`}
      value={chosen}
      colour="text.secondary"
      options={[
        [USUAL, 'another unit'],
        ...units.map(({ symbol }): readonly [string, string] => [symbol, `in ${symbol}`]),
      ]}
      onChange={onChoose}
    />
  )
}

function CalculationField({
  input,
  value,
  onChange,
}: {
  input: CalculationInput
  value: CalculationValue
  onChange: (value: CalculationValue) => void
}) {
  if (input.kind === 'choice')
    return <Choice label={input.name} value={String(value)} options={input.options} onChange={onChange} />
  if (input.kind === 'list')
    return (
      <ReadingsField
        input={input}
        values={Array.isArray(value) ? (value as readonly number[]) : []}
        onChange={onChange}
      />
    )
  return (
    <QuantityField
      label={input.name}
      quantity={input.quantity}
      value={Number(value)}
      onChange={onChange}
      {...(input.limits ? { limits: input.limits } : {})}
    />
  )
}
