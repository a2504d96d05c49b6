import { readSumField, type SumValue, type SumValues } from '@/core/calculation/runSum'
import type { AnySum, SumInput } from '@/core/calculation/sum'

/** A sum with its values as the query of an address: values stand in base units. */
export function sumQuery({ id }: AnySum, values: SumValues): string {
  const query = new URLSearchParams({ sum: id })
  for (const [key, value] of Object.entries(values))
    query.set(key, Array.isArray(value) ? value.join(' ') : String(value))
  return query.toString()
}

/** The values an address names; what is missing or cannot be is left out, and stands as the sum starts. */
export function valuesOfQuery({ inputs }: AnySum, query: Readonly<Record<string, string | undefined>>): SumValues {
  const read = (input: SumInput, text: string): SumValue | null => {
    const outcome = readSumField(input, text)
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
