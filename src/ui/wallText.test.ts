import { USUAL_DATES, type DateStyle } from '@/core/quantity/dateStyle'
import { timeTicks, wallText } from '@/ui/wallText'

const AMERICAN: DateStyle = { order: 'month', clock: '12', weekFrom: 'sun' }
const MINUTE = 60_000
const HOUR = 60 * MINUTE
const DAY = 24 * HOUR

test.each([
  ['Europe/London', USUAL_DATES, '9 Jul 2026 15:20'],
  ['Europe/London', AMERICAN, 'Jul 9, 2026 3:20 PM'],
  ['as-written', USUAL_DATES, '9 Jul 2026 14:20'],
  ['Asia/Kolkata', AMERICAN, 'Jul 9, 2026 7:50 PM'],
])('an instant on a logger’s clock in %s', (zone, dates, text) =>
  expect(wallText(Date.UTC(2026, 6, 9, 14, 20), zone, dates)).toBe(text),
)

test.each([
  { name: 'an hour', lengthMs: HOUR, everyMs: 10 * MINUTE, usual: '00:10', american: '12:10 AM' },
  { name: 'a day', lengthMs: DAY, everyMs: 6 * HOUR, usual: '06:00', american: '6:00 AM' },
  { name: 'three days', lengthMs: 3 * DAY, everyMs: 12 * HOUR, usual: '12:00', american: '12:00 PM' },
  { name: 'a month', lengthMs: 28 * DAY, everyMs: 4 * DAY, usual: '12 Feb', american: 'Feb 12' },
])(
  'the axis of $name has ticks a clock would show, the day at its midnight',
  ({ lengthMs, everyMs, usual, american }) => {
    const fromMs = Date.UTC(2026, 1, 9)
    const { ticks, text } = timeTicks('as-written', fromMs, fromMs + lengthMs)
    expect(ticks.length).toBeLessThanOrEqual(8)
    expect(ticks.slice(1).every((tick, index) => tick - ticks[index]! === everyMs)).toBe(true)
    expect(ticks.every((tick) => tick >= fromMs && tick <= fromMs + lengthMs)).toBe(true)
    const next = ticks.find((tick) => tick > fromMs)!
    expect([text(fromMs), text(next)]).toEqual(['9 Feb', usual])
    const their = timeTicks('as-written', fromMs, fromMs + lengthMs, AMERICAN).text
    expect([their(fromMs), their(next)]).toEqual(['Feb 9', american])
  },
)
