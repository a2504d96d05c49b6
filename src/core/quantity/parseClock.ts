/** A time of the day as people type it: 8, 8:30, 17.00, 0830, 24:00. Minutes from midnight; null where it is none.
 *  @param most 1439 for a start, 1440 for an end */
export function parseClock(typed: string, most: number): number | null {
  const found = /^(\d{1,2})(?:\s*[:.h]?\s*(\d{2}))?$/.exec(typed.trim())
  if (!found) return null
  const [hours, minutes] = [Number(found[1]), Number(found[2] ?? 0)]
  const total = hours * 60 + minutes
  return minutes < 60 && total <= most ? total : null
}
