import type { RapidRise } from '@/core/rules/rapidRise'
import { machineFor, responseTo, settledPct, speedsOver } from '@/testing/examples'

const rapidRise = (changes: Partial<RapidRise> = {}): RapidRise => ({
  id: 'rise',
  kind: 'rapid-rise',
  input: 'rh',
  windowS: 300,
  rise: 8,
  release: 3,
  speedPct: 80,
  capS: 600,
  ...changes,
})
const on = (rule: RapidRise, humidities: readonly number[], dtS = 60): string =>
  speedsOver(
    responseTo([rule]),
    humidities.map((rh) => ({ rh })),
    dtS,
  )
    .map((pct) => (pct > 0 ? 1 : 0))
    .join('')

// Common practice, no source: after a cap it waits until it is re-armed.
test.each([
  {
    name: 'a normal end does not empty the window: 58.5 is 8.5 over the lowest of the last 300 s',
    rule: rapidRise(),
    rh: [50, 60, 53, 58.5],
    on: '0101',
  },
  {
    name: 'after its cap it does not come again by itself',
    rule: rapidRise({ capS: 120 }),
    rh: [45, 60, 70, 60, 70, 60, 70, 60, 70, 60, 70],
    on: '01100000000',
  },
  {
    name: 'back within its release it may come again',
    rule: rapidRise({ capS: 120 }),
    rh: [45, 60, 60, 60, 60, 47, 60, 60],
    on: '01100011',
  },
  {
    name: 'a change of the weather does not silence it: after the time the new level is the base',
    rule: rapidRise({ capS: 120, rearmS: 300 }),
    rh: [45, 60, 60, 60, 60, 60, 60, 60, 60, 70],
    on: '0110000001',
  },
  {
    name: 'before that time it stays quiet',
    rule: rapidRise({ capS: 120, rearmS: 600 }),
    rh: [45, 60, 60, 60, 60, 60, 60, 60, 60, 70],
    on: '0110000000',
  },
  {
    name: 'a slow rise never triggers',
    rule: rapidRise(),
    rh: Array.from({ length: 40 }, (_, i) => 40 + i),
    on: '0'.repeat(40),
  },
  { name: 'a lost reading ends nothing', rule: rapidRise(), rh: [50, 60, NaN, 60], on: '0111' },
])('$name', ({ rule, rh, on: expected }) => expect(on(rule, rh)).toBe(expected))

test('45, then 60 and 70 for two hours: once before the hour is over', () => {
  const rh = [45, ...Array.from({ length: 62 }, (_, minute) => (minute % 2 === 0 ? 60 : 70))]
  expect(on(rapidRise(), rh)).toBe(`0${'1'.repeat(10)}${'0'.repeat(52)}`)
})

test('release is met exactly although 20.1 + 0.2 is a little more in binary', () =>
  expect(on(rapidRise({ rise: 0.3, release: 0.2 }), [20.1, 20.4, 20.3])).toBe('010'))

test('settled, nothing rises', () => expect(settledPct(machineFor(responseTo([rapidRise()])), { rh: 90 })).toBe(0))
