import ical, { ICalEventRepeatingFreq } from 'ical-generator'
import { dueList } from '@/core/record/due'
import type { Sealed } from '@/core/record/sealed'

/** What is due as an iCalendar (RFC 5545), a whole day each; what comes again does so there too.
 *  @param now the instant it is written */
export function calendarText({ document, siteName, seal, address }: Sealed, now: Date): string {
  const calendar = ical({
    name: `${document.name}, ${siteName}`,
    prodId: { company: 'Soft Gale', product: 'upkeep', language: 'EN' },
  })
  for (const { id, title, on, everyDays } of dueList(
    document,
    seal?.sealedAt.slice(0, 10) ?? now.toISOString().slice(0, 10),
  ))
    calendar.createEvent({
      id: `${seal?.fingerprint.slice(0, 16) ?? 'working-copy'}-${id}@soft-gale`,
      stamp: now,
      start: new Date(`${on}T00:00:00Z`),
      allDay: true,
      summary: `${title}: ${document.name}`,
      location: siteName,
      ...(address !== null && { url: address }),
      ...(everyDays !== null && { repeating: { freq: ICalEventRepeatingFreq.DAILY, interval: everyDays } }),
    })
  return calendar.toString()
}
