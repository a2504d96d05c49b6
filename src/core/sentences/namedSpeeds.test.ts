import { gearsOf, namedSpeeds } from '@/core/sentences/namedSpeeds'
import { demoInstallation } from '@/testing/examples'

test('every named speed of a balanced unit, slowest first, within floor and ceiling', () => {
  const speeds = namedSpeeds(demoInstallation('archive-flat').response)
  expect(speeds.map(({ pct }) => pct)).toEqual([34, 50, 55, 70, 80, 90])
  expect(speeds[0]!.name).toBe('Floor')
  expect(speeds.at(-1)!.name).toBe('Ceiling')
})

test('the gears of a curtain climb from the heat to the open door', () => {
  expect(gearsOf(demoInstallation('ticket-hall-door').response).map(({ pct }) => pct)).toEqual([40, 100])
})
