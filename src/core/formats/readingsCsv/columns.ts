import { bad, good, type Outcome, type Problem } from '@/core/problem'

/** A column of a readings file that the program understands. */
export type ReadingColumn = {
  readonly index: number
  readonly quantity: 'temperature' | 'humidity'
  readonly name: string
  readonly unit: 'C' | 'F' | '%'
}

export type ReadingColumns = { readonly timeIndex: number; readonly columns: readonly ReadingColumn[] }

const TIME = /^(time|date|timestamp|date ?time|zeit|datum)\b/i
const TEMPERATURE = /temp|°c|°f|\bdeg ?[cf]\b/i
const HUMIDITY = /humid|%rh|\brh\b/i
const FAHRENHEIT = /°f|\bdeg ?f\b|[_ (]f\b|fahrenheit/i

/** Which columns hold time, temperature and humidity, by their headings ("time,temperature (°C),humidity (%RH)"). */
export function findColumns(header: readonly string[]): Outcome<ReadingColumns> {
  const names = header.map((name) => name.replace(/^\ufeff/, '').trim())
  const timeIndex = names.findIndex((name) => TIME.test(name))
  const columns = names.flatMap((name, index): ReadingColumn[] => {
    if (index === timeIndex) return []
    if (HUMIDITY.test(name)) return [{ index, quantity: 'humidity', name, unit: '%' }]
    if (TEMPERATURE.test(name))
      return [{ index, quantity: 'temperature', name, unit: FAHRENHEIT.test(name) ? 'F' : 'C' }]
    return []
  })
  const problems: Problem[] = []
  const seen = names.filter(Boolean).join(', ') || 'nothing'
  if (timeIndex < 0)
    problems.push({
      code: 'said',
      path: 'line 1',
      text: `No column is headed “time”. The headings found: ${seen}. Name the time column “time” and import again.`,
    })
  if (!columns.some(({ quantity }) => quantity === 'temperature'))
    problems.push({
      code: 'said',
      path: 'line 1',
      text: `No column is headed “temperature”. The headings found: ${seen}. Name it for example “temperature (°C)” and import again.`,
    })
  return problems.length > 0 ? bad(...problems) : good({ timeIndex, columns })
}
