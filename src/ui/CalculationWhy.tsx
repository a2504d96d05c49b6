'use client'

import type { ReactNode } from 'react'
import { formulaText, runCalculation, startValues, type CalculationValues } from '@/core/calculation/runCalculation'
import { sumQuery } from '@/core/calculation/calculationQuery'
import type { AnyCalculation } from '@/core/calculation/calculation'
import { usePreference } from '@/ui/preference'
import { Why } from '@/ui/Why'

/** A figure that a sum gave: its formula, the values put in, what it does not say, and the way to the sum itself. */
export function CalculationWhy({
  sum,
  values,
  children,
}: {
  sum: AnyCalculation
  values: CalculationValues
  children: ReactNode
}) {
  const preference = usePreference()
  const outcome = runCalculation(sum, { ...startValues(sum), ...values })
  const verdict = outcome.ok ? outcome.value.verdict : undefined
  return (
    <Why
      what={sum.name}
      formula={formulaText(sum, null)}
      withValues={formulaText(sum, values, preference)}
      source={sum.source}
      href={`/sums?${sumQuery(sum, values)}`}
      note={[verdict, sum.caution].filter(Boolean).join(' ')}
    >
      {children}
    </Why>
  )
}
