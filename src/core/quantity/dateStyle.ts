/** What a date begins with, how a clock counts, and what a week begins with. */
export const DATE_ORDERS = ['day', 'month', 'year'] as const
export const CLOCKS = ['24', '12'] as const
export const WEEK_STARTS = ['mon', 'sat', 'sun'] as const

/** How a person reads dates and times of day. */
export type DateStyle = {
  readonly order: (typeof DATE_ORDERS)[number]
  readonly clock: (typeof CLOCKS)[number]
  readonly weekFrom: (typeof WEEK_STARTS)[number]
}

/** The language whose clock counts so. */
export const CLOCK_LANGUAGE: Readonly<Record<DateStyle['clock'], string>> = { '24': 'en-GB', '12': 'en-US' }

export const USUAL_DATES: DateStyle = { order: 'day', clock: '24', weekFrom: 'mon' }

/** Of what a row or a form says; what is no choice is the usual.
 *  @param said of whatever shape */
export function knownDates(said: unknown): DateStyle {
  const named = (typeof said === 'object' && said !== null ? said : {}) as Readonly<Record<string, unknown>>
  const known = <T extends string>(choices: readonly T[], value: unknown, usual: T) =>
    choices.find((choice) => choice === value) ?? usual
  return {
    order: known(DATE_ORDERS, named.order, USUAL_DATES.order),
    clock: known(CLOCKS, named.clock, USUAL_DATES.clock),
    weekFrom: known(WEEK_STARTS, named.weekFrom, USUAL_DATES.weekFrom),
  }
}

/** Lands whose weeks begin on Sunday or Saturday. Unicode CLDR 45, supplemental `weekData`, `firstDay`: those this program is likely to meet. */
const WEEK_OF_LAND: Readonly<Record<string, DateStyle['weekFrom']>> = {
  ...Object.fromEntries(
    ['US', 'CA', 'MX', 'BR', 'JP', 'KR', 'IN', 'IL', 'ZA', 'PH', 'TW', 'HK', 'TH', 'ID', 'PT', 'CO', 'PE', 'PR'].map(
      (land) => [land, 'sun' as const],
    ),
  ),
  ...Object.fromEntries(['AE', 'EG', 'IR', 'QA', 'KW', 'SY', 'DZ', 'IQ'].map((land) => [land, 'sat' as const])),
}

/** How somebody of these languages is likely to read dates, until they choose. Order and clock come from the language itself.
 *  @param languages as a browser names them, the dearest first: “en-US,en;q=0.9” */
export function startingDates(languages: string): DateStyle {
  const [tag = ''] = languages.split(/[,;]/)
  try {
    const format = new Intl.DateTimeFormat(tag.trim(), {
      ...{ day: 'numeric', month: 'numeric', year: 'numeric', hour: 'numeric', timeZone: 'UTC' },
    })
    const { region } = new Intl.Locale(tag.trim()).maximize()
    return knownDates({
      order: format.formatToParts(0).find(({ type }) => DATE_ORDERS.some((order) => order === type))?.type,
      clock: format.resolvedOptions().hour12 ? '12' : '24',
      weekFrom: WEEK_OF_LAND[region ?? ''],
    })
  } catch (error) {
    // No language: nobody has said anything.
    if (error instanceof RangeError) return USUAL_DATES
    throw error
  }
}

/** A list of the seven days, Monday first, in the order in which a person begins the week. */
export function weekInOrder<T>(days: readonly T[], weekFrom: DateStyle['weekFrom']): readonly T[] {
  const first = { mon: 0, sat: 5, sun: 6 }[weekFrom]
  return [...days.slice(first), ...days.slice(0, first)]
}
