import { sumQuery, valuesOfQuery } from '@/core/calculation/calculationQuery'
import { CALCULATIONS, calculationById } from '@/core/calculation/registry'
import { startValues } from '@/core/calculation/runCalculation'

const read = (query: string) => Object.fromEntries(new URLSearchParams(query)) as Record<string, string>

test.each(CALCULATIONS.map((calculation) => [calculation.id, calculation] as const))(
  '%s: its values come back from the address they make',
  (id, calculation) => {
    const values = startValues(calculation)
    const query = read(sumQuery(calculation, values))
    expect(query.sum).toBe(id)
    expect(valuesOfQuery(calculation, query)).toEqual(values)
  },
)

test('what is missing, unknown or cannot be is left out, and takes nothing with it', () => {
  const dew = calculationById('cold-surface')!
  const [first, ...others] = Object.keys(dew.inputs)
  const good = read(sumQuery(dew, startValues(dew)))
  const kept = valuesOfQuery(dew, { ...good, [first!]: 'no figure', nobody: '3' })
  expect(Object.keys(kept)).toEqual(others)
  expect(valuesOfQuery(dew, {})).toEqual({})
})
