import { readCalculationField, type CalculationValue, type CalculationValues } from '@/core/calculation/runCalculation'
import type { AnyCalculation, CalculationInput } from '@/core/calculation/calculation'

/** A calculation with its values as the query of an address: values stand in base units. */
export function sumQuery({ id }: AnyCalculation, values: CalculationValues): string {
  const query = new URLSearchParams({ sum: id })
  for (const [key, value] of Object.entries(values))
    query.set(key, Array.isArray(value) ? value.join(' ') : String(value))
  return query.toString()
}

/** The values an address names; what is missing or cannot be is left out, and stands as the calculation starts. */
export function valuesOfQuery(
  { inputs }: AnyCalculation,
  query: Readonly<Record<string, string | undefined>>,
): CalculationValues {
  const read = (input: CalculationInput, text: string): CalculationValue | null => {
    const outcome = readCalculationField(input, text)
    return outcome.ok ? outcome.value : null
  }
  return Object.fromEntries(
    Object.entries(inputs).flatMap(([key, input]) => {
      const text = query[key]
      const value = text === undefined ? null : read(input, text)
      return value === null ? [] : [[key, value] as const]
    }),
  )
}
