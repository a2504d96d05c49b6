import { CLOCK_LANGUAGE, USUAL_DATES } from '@/core/quantity/dateStyle'
import type { UnitPreference } from '@/core/quantity/format'
import { dayOf, dayText } from '@/core/rules/yearDay'

/** An instant as a paper says it: “15 Apr 2026 14:20 UTC”, “Apr 15, 2026 4:20 PM GMT+2”.
 *  @param iso ISO 8601
 *  @throws {RangeError} for a zone that is none */
export function instantText(
  iso: string,
  { dates = USUAL_DATES, zone = 'UTC' }: Pick<UnitPreference, 'dates' | 'zone'>,
): string {
  const time = new Intl.DateTimeFormat(CLOCK_LANGUAGE[dates.clock], {
    ...{ hour: dates.clock === '12' ? 'numeric' : '2-digit', minute: '2-digit' },
    ...{ timeZone: zone, timeZoneName: 'short' },
  })
  return `${dayText(dayOf(iso, zone), dates)} ${time.format(new Date(iso))}`
}
