import { daysLater, dueList } from '@/core/record/due'
import { gate } from '@/core/record/gate'
import { overviewOf, type Overview } from '@/core/record/overview'
import { peopleSheet } from '@/core/record/peopleSheet'
import { boxCard } from '@/core/record/boxCard'
import { label } from '@/core/record/label'
import { unsealed } from '@/core/record/sealed'
import { sealState, sealStateText } from '@/core/record/sealState'
import type { OpenItem } from '@/core/record/stillOpen'
import { DUTIES } from '@/core/brief/duty'
import { newInstallation } from '@/core/installation/newInstallation'
import { DEMO_NAMES, demoInstallation } from '@/testing/examples'

const item = (kind: OpenItem['kind'], key: string = kind, reason?: string): OpenItem => ({
  ...{ kind, key, title: kind, detail: '' },
  ...(reason !== undefined && { reason }),
})

test.each([
  { open: null, says: 'sealed, proof not noted' },
  { open: [], says: 'sealed and proved' },
  // What is open and hinders no proof does not take it away; it stands on the record beside it.
  {
    open: [item('question'), item('told'), item('warning'), item('danger', 'd', 'known here')],
    says: 'sealed and proved',
  },
  { open: [item('danger')], says: 'sealed, not proved (1 open)' },
  { open: [item('check', 'a'), item('check', 'b'), item('action')], says: 'sealed, not proved (3 open)' },
])('$says', ({ open, says }) => expect(sealStateText(sealState(open))).toBe(says))

test('each thing that is open stands in one row of the gate', () => {
  const open = [
    item('question', 'brief-rooms'),
    item('question', 'mounting-heat'),
    item('question', 'calibrate-start'),
    ...(['danger', 'warning', 'action', 'check', 'told'] as const).map((kind) => item(kind)),
  ]
  const rows = gate({}, open)
  expect(rows.flatMap((row) => row.open)).toHaveLength(open.length)
  expect(Object.fromEntries(rows.map((row) => [row.part, row.open.map(({ key }) => key)]))).toEqual({
    brief: ['brief-rooms'],
    kit: ['mounting-heat'],
    calibrate: ['calibrate-start'],
    respond: ['danger', 'warning'],
    'dial-in': ['action'],
    prove: ['check'],
    people: ['told'],
  })
})

test.each([
  ['2026-02-27', 2, '2026-03-01'],
  ['2028-02-27', 2, '2028-02-29'],
  ['2026-12-31', 1, '2027-01-01'],
])('%s and %i days is %s', (day, days, later) => expect(daysLater(day, days)).toBe(later))

test('what was never done counts from the seal, what was done from then; the earliest first', () => {
  const installation = {
    ...demoInstallation('kiln-room'),
    upkeep: {
      nextVisitOn: '2027-03-01',
      tasks: [
        { id: 'a', name: 'Guard', everyDays: 30, lastOn: null },
        { id: 'b', name: 'Alarm', everyDays: 7, lastOn: '2026-11-28' },
      ],
    },
  }
  const due = dueList(installation, '2026-11-27').filter(({ kind }) => kind !== 'instrument')
  expect(due.map(({ title, on }) => [title, on])).toEqual([
    ['Alarm', '2026-12-05'],
    ['Guard', '2026-12-27'],
    ['Next check', '2027-03-01'],
  ])
})

test.each(DEMO_NAMES)(
  '%s: a card has its speeds in order, and every setting that stands for something with a value',
  (name) => {
    const card = boxCard(unsealed(demoInstallation(name), 'Yard'))
    const speeds = card.speeds.map(({ pct }) => pct)
    expect(speeds).toEqual([...speeds].sort((a, b) => a - b))
    expect(card.settings.length).toBeGreaterThan(0)
    for (const { value } of card.settings) expect(value).not.toMatch(/^$|NaN|undefined/)
    for (const [x, pct] of card.curve?.points ?? [])
      expect([Number.isFinite(x), pct >= 0 && pct <= 100]).toEqual([true, true])
  },
)

test.each(DUTIES)(
  '%s: the sheet for the people there has something to do at once, and no figure of the setting',
  (duty) => {
    const sheet = peopleSheet(unsealed(newInstallation('Here', duty)))
    expect(sheet.when.some(({ urgent }) => urgent)).toBe(true)
    expect([...sheet.does, ...sheet.when.map(({ act }) => act)].join(' ')).not.toMatch(
      /%|°|set point|differential|ramp/i,
    )
  },
)

test('a label says in words how far it is proved', () => {
  const sealed = {
    ...unsealed(demoInstallation('fruiting-room'), 'Yard'),
    seal: {
      ...{ number: 3, reason: 'x', sealedBy: 'Tam', sealedAt: '2026-11-27T10:00:00Z', signedAt: null, signature: null },
      fingerprint: 'a'.repeat(64),
      open: [item('check')],
    },
  }
  expect(label(sealed).lines).toEqual(
    expect.arrayContaining(['Sealed, not proved (1 open)', 'revision 3 · 27 Nov 2026 · Tam', 'aaaa aaaa aaaa aaaa']),
  )
})

test('what is over its day wants a look in the yard, and says since when; what was never done does not', () => {
  const upkeep = {
    nextVisitOn: '2026-11-01',
    tasks: [
      { id: 'a', name: 'Try the alarm', everyDays: 7, lastOn: '2026-11-03' },
      { id: 'b', name: 'Run the generator', everyDays: 30, lastOn: null },
    ],
  }
  const fault = (error: unknown) => {
    throw error
  }
  const seen = (document: object, today: string) =>
    overviewOf(document, { document: null, open: null }, fault, today).overview
  const calm = demoInstallation('archive-flat')
  const { concern: before } = seen(calm, '2026-11-27') as Overview
  expect(before).toBeNull()
  expect(seen({ ...calm, upkeep }, '2026-11-27')).toMatchObject({
    concern: {
      late: [
        { title: 'Next check', on: '2026-11-01' },
        { title: 'Try the alarm', on: '2026-11-10' },
      ],
    },
  })
  expect(seen({ ...calm, upkeep }, '2026-10-01')).toMatchObject({ concern: null })
})
