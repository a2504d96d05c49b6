import type { Response } from '@/core/response/schema'

/** Inputs tried at one moment, as they stand in an address: `roomTemp:18.3,humidity:lost,clock:129600`. */
export const writeMoment = (values: Readonly<Record<string, number>>): string =>
  Object.entries(values)
    .map(([id, value]) => `${id}:${Number.isNaN(value) ? 'lost' : Number(value.toFixed(3))}`)
    .join(',')

/** The inputs of an address, as far as this response knows them; what cannot be read is left out. */
export function readMoment(text: string, { inputs }: Pick<Response, 'inputs'>): Readonly<Record<string, number>> {
  const known = new Set([...inputs.map(({ id }) => id), 'clock', 'date'])
  return Object.fromEntries(
    text.split(',').flatMap((part): [string, number][] => {
      const [id = '', written = ''] = part.split(':')
      const value = written === 'lost' ? NaN : Number(written)
      return known.has(id) && written !== '' && (written === 'lost' || Number.isFinite(value)) ? [[id, value]] : []
    }),
  )
}
