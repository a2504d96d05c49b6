/** A time of the day as people type it: 8, 8:30, 17.00, 0830, 5:30 pm, 24:00. Minutes from midnight; null where it is none.
 *  @param most 1439 for a start, 1440 for an end */
export function parseClock(typed: string, most: number): number | null {
  const found = /^(\d{1,2})(?:\s*[:.h]?\s*(\d{2}))?(?:\s*([ap])\.?(?:m\.?)?)?$/i.exec(typed.trim())
  if (!found) return null
  const [hours, minutes, half] = [Number(found[1]), Number(found[2] ?? 0), found[3]?.toLowerCase()]
  if (half !== undefined && (hours < 1 || hours > 12)) return null
  const ofDay = half === undefined ? hours : (hours % 12) + (half === 'p' ? 12 : 0)
  const total = ofDay * 60 + minutes
  // The midnight at which a day ends: on a clock of twelve hours both are 12 am.
  if (half !== undefined && total === 0 && most === 1440) return 1440
  return minutes < 60 && total <= most ? total : null
}
