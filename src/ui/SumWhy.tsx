'use client'

import type { ReactNode } from 'react'
import { formulaText, runSum, startValues, type SumValues } from '@/core/calculation/runSum'
import { sumQuery } from '@/core/calculation/sumQuery'
import type { AnySum } from '@/core/calculation/sum'
import { usePreference } from '@/ui/preference'
import { Why } from '@/ui/Why'

/** A figure that a sum gave: its formula, the values put in, what it does not say, and the way to the sum itself. */
export function SumWhy({ sum, values, children }: { sum: AnySum; values: SumValues; children: ReactNode }) {
  const preference = usePreference()
  const outcome = runSum(sum, { ...startValues(sum), ...values })
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
