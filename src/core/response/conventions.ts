import { formatNumber } from '@/core/quantity/format'

/** How a leaflet says where a controller switches. "Set point" and "differential" mean different things on different controllers. */
export const CONVENTIONS = {
  'on-at-set': { name: 'on at the set point, off a full differential past it', on: 0, off: 1 },
  symmetric: { name: 'on and off half a differential either side of the set point', on: -0.5, off: 0.5 },
  'plus-minus': { name: 'on and off a whole differential either side of the set point (± d)', on: -1, off: 1 },
  'off-at-set': { name: 'off at the set point, on a full differential before it', on: -1, off: 0 },
} as const satisfies Record<string, { name: string; on: number; off: number }>
export type Convention = keyof typeof CONVENTIONS
export const CONVENTION_IDS = Object.keys(CONVENTIONS) as Convention[]
export type Action = 'direct' | 'reverse'

export type Points = { readonly onAt: number; readonly offAt: number }

/** Away from the set point towards where it goes off: down for cooling, up for heating. */
const towardsOff = (action: Action): number => (action === 'direct' ? -1 : 1)

/** The explicit points of what a leaflet calls set point and differential. Source: docs/control-laws.md; cases `ctl.onOff`.
 *  @throws {RangeError} when the differential is negative */
export function pointsFrom(convention: Convention, action: Action, setPoint: number, differential: number): Points {
  if (!(differential >= 0)) throw new RangeError(`a differential cannot be negative, got ${differential}`)
  const { on, off } = CONVENTIONS[convention]
  return {
    onAt: setPoint + towardsOff(action) * on * differential,
    offAt: setPoint + towardsOff(action) * off * differential,
  }
}

/** The set point and differential that say the same points in another convention. */
export function asConvention(
  convention: Convention,
  action: Action,
  { onAt, offAt }: Points,
): { readonly setPoint: number; readonly differential: number } {
  const { on, off } = CONVENTIONS[convention]
  const differential = Math.abs(onAt - offAt) / (off - on)
  return { setPoint: onAt - towardsOff(action) * on * differential, differential }
}

export const RAMP_GIVEN_BY = ['foot', 'centre', 'top'] as const
export type RampGivenBy = (typeof RAMP_GIVEN_BY)[number]

/** Start and full of a ramp from its set point and band, where the set point is its foot (start), its centre or its top (full).
 *  @param falls faster as the input falls: full lies below the start
 *  @throws {RangeError} when the band is not above 0 */
export function rampFrom(
  givenBy: RampGivenBy,
  setPoint: number,
  span: number,
  falls = false,
): { readonly startAt: number; readonly fullAt: number } {
  if (!(span > 0)) throw new RangeError(`a ramp needs a band above 0, got ${span}`)
  const way = falls ? -span : span
  const startAt = setPoint - way * { foot: 0, centre: 0.5, top: 1 }[givenBy]
  return { startAt, fullAt: startAt + way }
}

/** The points in a sentence that cannot be misread; figures in °C. */
export const pointsSentence = (action: Action, { onAt, offAt }: Points): string =>
  action === 'direct'
    ? `On at ${formatNumber(onAt, 1)} °C and above, off at ${formatNumber(offAt, 1)} °C and below.`
    : `On at ${formatNumber(onAt, 1)} °C and below, off at ${formatNumber(offAt, 1)} °C and above.`
