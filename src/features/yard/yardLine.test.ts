import type { Installation } from '@/core/installation/installation'
import { METRIC } from '@/core/quantity/format'
import { overviewOf } from '@/core/record/overview'
import { yardLine, type YardLine } from '@/features/yard/yardLine'
import { demoInstallation } from '@/testing/examples'

const fault = (error: unknown) => {
  throw error
}

function line(document: Installation, sealed: Installation | null): YardLine {
  const { overview, isAsSealed, name } = overviewOf(document, { document: sealed, open: [] }, fault)
  const drawn = yardLine(
    {
      id: 'one',
      siteName: 'Wherry Lane Yard',
      name,
      line: overview,
      isAsSealed,
      sealed: sealed && { number: 3, sealedAt: new Date('2026-11-19T10:00:00Z') },
    },
    METRIC,
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
