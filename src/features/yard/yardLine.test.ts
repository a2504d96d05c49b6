import type { Installation } from '@/core/installation/installation'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import { overviewOf } from '@/core/record/overview'
import { yardLine, type YardLine } from '@/features/yard/yardLine'
import { demoInstallation } from '@/testing/examples'

const fault = (error: unknown) => {
  throw error
}

function line(
  document: Installation,
  sealed: Installation | null,
  { preference = METRIC, today }: { preference?: UnitPreference; today?: string } = {},
): YardLine {
  const { overview, isAsSealed, name } = overviewOf(document, { document: sealed, open: [] }, fault, today)
  const drawn = yardLine(
    {
      id: 'one',
      siteName: 'Wherry Lane Yard',
      name,
      line: overview,
      isAsSealed,
      sealed: sealed && { number: 3, sealedAt: new Date('2026-11-19T10:00:00Z') },
    },
    preference,
  )
  if ('wrong' in drawn) throw new Error(drawn.wrong)
  return drawn
}

const room = demoInstallation('fruiting-room')

test('speed, cause and flow are those in the middle of the target band', () =>
  expect(line(room, room)).toMatchObject({
    speed: { text: '35 %', cause: 'temperature', rule: 'room temperature' },
    gives: '66 l/s',
    rail: { startPct: 14, floorPct: 22, ceilingPct: 90, boostPct: 90, nowPct: 35 },
  }))

test.each([
  { name: 'never sealed', sealed: null, standing: { text: 'Never sealed', tone: 'working' } },
  { name: 'as sealed', sealed: room, standing: { text: 'Rev 3, sealed and proved', tone: 'plain' } },
  {
    name: 'changed since',
    sealed: demoInstallation('fruiting-room.rev1'),
    standing: { text: 'Working copy, after rev 3', tone: 'working' },
  },
])('$name', ({ sealed, standing }) => expect(line(room, sealed).standing).toEqual(standing))

test('what will not work needs someone, what can hurt says so in red', () => {
  const door = demoInstallation('ticket-hall-door')
  expect(line(door, door)).toMatchObject({
    standing: { text: 'Needs you', tone: 'needs' },
    concern: { grave: false },
  })
  const starved = { ...room, response: { ...room.response, floor: { speedPct: 20, reasons: [] } } }
  expect(line(starved, room)).toMatchObject({ standing: { tone: 'hurts' }, concern: { grave: true } })
})

test('one without a map says that its flow is not known', () =>
  expect(line({ ...room, calibration: { ...room.calibration, fans: [] } }, room).gives).toBe('not mapped'))

test('what is over its day says since when, as its reader writes days', () => {
  const calm = demoInstallation('creamery-condenser')
  const late = { ...calm, upkeep: { ...calm.upkeep, nextVisitOn: '2026-11-01' } }
  const said = (preference: UnitPreference) => line(late, calm, { preference, today: '2026-11-27' }).concern?.detail
  expect(said(METRIC)).toContain('Next check, since 1 Nov 2026.')
  expect(said({ ...METRIC, dates: { order: 'month', clock: '12', weekFrom: 'sun' } })).toContain('since Nov 1, 2026.')
})
