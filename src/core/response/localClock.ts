const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** The local time of an instant as a clock on the wall shows it: seconds since Monday 00:00. An hour that is left out or comes twice with
 *  daylight saving is left out or comes twice here.
 *  @param zone IANA name, "Europe/London" */
export function localWeekClock(zone: string): (atMs: number) => number {
  const format = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'short',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    hourCycle: 'h23',
  })
  return (atMs) => {
    const parts = Object.fromEntries(format.formatToParts(atMs).map(({ type, value }) => [type, value]))
    return (
      DAYS.indexOf(parts.weekday ?? '') * 86400 +
      Number(parts.hour) * 3600 +
      Number(parts.minute) * 60 +
      Number(parts.second)
    )
  }
}
