'use client'

import type { ReactNode } from 'react'
import { formulaText, runCalculation, startValues, type CalculationValues } from '@/core/calculation/runCalculation'
import { sumQuery } from '@/core/calculation/calculationQuery'
import type { AnyCalculation } from '@/core/calculation/calculation'
import { usePreference } from '@/ui/preference'
import { Why } from '@/ui/Why'

/** A figure that a calculation gave: its formula, the values put in, what it does not say, and the way to the calculation itself. */
export function CalculationWhy({
  calculation,
  values,
  children,
}: {
  calculation: AnyCalculation
  values: CalculationValues
  children: ReactNode
}) {
  const preference = usePreference()
  const outcome = runCalculation(calculation, { ...startValues(calculation), ...values })
  const verdict = outcome.ok ? outcome.value.verdict : undefined
  return (
    <Why
      what={calculation.name}
      formula={formulaText(calculation, null)}
      withValues={formulaText(calculation, values, preference)}
      source={calculation.source}
      href={`/sums?${sumQuery(calculation, values)}`}
      note={[verdict, calculation.caution].filter(Boolean).join(' ')}
    >
      {children}
    </Why>
  )
}
