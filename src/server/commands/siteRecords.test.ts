import { randomUUID } from 'node:crypto'
import type { LocalRule } from '@/core/record/localRule'
import { problemLine } from '@/core/words/problems'
import type { Scope } from '@/db/client'
import { listLog } from '@/db/queries/log'
import { listRevisions } from '@/db/queries/revision'
import { listShareLinks, openShareLink } from '@/db/queries/shareLink'
import { ensureSite } from '@/db/queries/site'
import { localRulesOf } from '@/db/queries/workspace'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { keepLocalRules } from '@/server/commands/keepLocalRules'
import { keepVisit } from '@/server/commands/keepVisit'
import { importInstallation } from '@/server/commands/makeInstallation'
import { seal } from '@/server/commands/seal'
import { endShare, shareRecord } from '@/server/commands/shareRecord'
import { writeLog } from '@/server/commands/writeLog'
import { hashOf } from '@/server/invitation'
import { readLogQuery } from '@/server/listQuery'
import { demoText } from '@/testing/examples'

useThrowawayDatabase()

let scope: Scope
let id: string
beforeEach(async () => {
  scope = await newScope()
  id = randomUUID()
  await importInstallation(scope, { id, site: 'Lock Cottage', text: demoText('installations/kiln-room.json') })
})

const visit = {
  beganAt: '2026-11-27T09:00:00.000Z',
  endedAt: '2026-11-27T10:30:00.000Z',
  why: 'noise at night',
  weather: '4 °C, dry',
  readings: [
    { quantity: 'temperature', where: 'at the desk', instrument: 'Glass rod', found: 19.5, left: 21 },
    { quantity: 'concentration', where: 'by the door', instrument: '', found: 900, left: null },
  ],
  done: { checks: 3, lines: 1 },
}

describe('a visit', () => {
  test('is an entry of the log with what was read, once however often it is sent', async () => {
    const sent = { id: randomUUID(), installationId: id, visit }
    expect(await keepVisit(scope, sent)).toEqual({ kind: 'done' })
    expect(await keepVisit(scope, sent)).toEqual({ kind: 'done' })
    const visits = await listLog(scope, { kind: 'visit' })
    expect(visits.map(({ text, detail }) => ({ text, detail }))).toEqual([
      {
        text: 'Visit: noise at night. Weather: 4 °C, dry. at the desk, temperature: found 19.5 °C, left 21.0 °C (Glass rod). by the door, gas in air: found 900 ppm, left not read. Done: 3 checks, 1 line in the log.',
        detail: visit,
      },
    ])
  })
  test.each([
    ['no reason', { ...visit, why: '' }],
    ['a reading without a place', { ...visit, readings: [{ ...visit.readings[0], where: ' ' }] }],
    ['a quantity nobody knows', { ...visit, readings: [{ ...visit.readings[0], quantity: 'mood' }] }],
    ['too much', { ...visit, readings: Array.from({ length: 41 }, () => visit.readings[0]) }],
  ])('with %s is refused', async (_what, wrong) => {
    expect((await keepVisit(scope, { id: randomUUID(), installationId: id, visit: wrong })).kind).toBe('invalid')
    expect(await listLog(scope, { kind: 'visit' })).toEqual([])
  })
})

describe('the log', () => {
  test.each([
    ['by kind', { kind: 'visit' }, ['Visit']],
    ['by who wrote', { by: 'nobody of this name' }, []],
    ['by day, both ends in', { from: '2000-01-01', to: '2999-01-01' }, ['Visit', 'Note', 'Created']],
    ['by a day on which nothing was', { from: '2000-01-01', to: '2000-01-02' }, []],
    ['by a filter that is none', { kind: 'gossip', from: 'soon', of: 'x', site: 'y' }, ['Visit', 'Note', 'Created']],
    ['by text', { holds: 'shutter' }, ['Note']],
  ])('%s', async (_by, query, expected) => {
    await writeLog(scope, { id: randomUUID(), installationId: id, text: 'Note: the shutter sticks.' })
    await keepVisit(scope, { id: randomUUID(), installationId: id, visit })
    const found = await listLog(scope, readLogQuery(query))
    const words = { visit: 'Visit', note: 'Note', made: 'Created', sealed: 'Sealed', imported: 'Created' }
    expect(found.map(({ kind }) => words[kind])).toEqual(expected)
  })
  test('of one site has nothing of another', async () => {
    const other = randomUUID()
    await importInstallation(scope, { id: other, site: 'Mill', text: demoText('installations/kiln-room.json') })
    for (const installationId of [id, other]) await writeLog(scope, { id: randomUUID(), installationId, text: 'Seen.' })
    const { id: siteId } = await ensureSite(scope, 'Mill')
    const found = await listLog(scope, readLogQuery({ site: siteId }))
    expect(new Set(found.map(({ installationId }) => installationId))).toEqual(new Set([other]))
  })
})

const rule = (more: Partial<LocalRule> = {}): LocalRule => ({
  id: 'roof',
  duty: 'every',
  text: 'Two people on a roof.',
  edition: 'house rules, 2nd',
  dated: '2026-03-01',
  ...more,
})

describe('rules of the workspace', () => {
  test('are kept over those that were looked at, and over no others', async () => {
    expect(await keepLocalRules(scope, { before: [], rules: [rule()] })).toEqual({ kind: 'done' })
    // Its answer was lost: sent again it is done.
    expect(await keepLocalRules(scope, { before: [], rules: [rule()] })).toEqual({ kind: 'done' })
    const late = await keepLocalRules(scope, { before: [], rules: [rule({ text: 'Another.' })] })
    expect(late.kind === 'invalid' && late.problems.map(problemLine).join(' ')).toContain('Somebody else changed')
    expect(await localRulesOf(scope)).toEqual([rule()])
  })
  test('stand on a seal as they were, those of its duty', async () => {
    const rules = [rule(), rule({ id: 'kiln', duty: 'exhaust' }), rule({ id: 'birds', duty: 'livestock' })]
    await keepLocalRules(scope, { before: [], rules })
    const sealed = { id: randomUUID(), installationId: id, version: 1, reason: 'first' }
    const answer = await seal(scope, sealed)
    // A danger asks for its reason first.
    const stays =
      answer.kind === 'invalid'
        ? answer.problems.map(({ path }) => ({ danger: path.replace(/^stays\./, ''), reason: 'known' }))
        : []
    expect(await seal(scope, { ...sealed, stays })).toMatchObject({ kind: 'done' })
    await keepLocalRules(scope, { before: rules, rules: [] })
    const [revision] = await listRevisions(scope, id)
    expect(revision!.localRules.map(({ id: of }) => of)).toEqual(['roof', 'kiln'])
  })
  test.each([{ text: 'x' }, { duty: 'roofing' }, { dated: 'last year' }])('%o is refused', async (wrong) => {
    expect((await keepLocalRules(scope, { before: [], rules: [{ ...rule(), ...wrong }] })).kind).toBe('invalid')
  })
})

describe('a link to the record', () => {
  const make = async (days = 7) => {
    const made = await shareRecord(scope, { id: randomUUID(), installationId: id, forWhom: 'the keeper', days })
    return made.kind === 'done' ? made.link.split('/').at(-1)! : ''
  }
  test('opens, is counted, and opens no more once it is ended', async () => {
    const token = await make()
    expect(await openShareLink(scope, hashOf(token))).toMatchObject({ installationId: id, openedCount: 1 })
    const [link] = await listShareLinks(scope, id)
    expect(link).toMatchObject({ forWhom: 'the keeper', openedCount: 1 })
    expect(await endShare(scope, { id: link!.id })).toEqual({ kind: 'done' })
    expect(await openShareLink(scope, hashOf(token))).toBeNull()
    expect(await listShareLinks(scope, id)).toEqual([])
    expect(await endShare(scope, { id: link!.id })).toEqual({ kind: 'unknown' })
  })
  test('of another workspace opens nothing here', async () => {
    const token = await make()
    expect(await openShareLink(await newScope(), hashOf(token))).toBeNull()
  })
  test.each([0, 400, 1.5])('for %d days is refused', async (days) => expect(await make(days)).toBe(''))
  test('asked for twice under one id is one, and has one address', async () => {
    const sent = { id: randomUUID(), installationId: id, forWhom: 'the keeper', days: 30 }
    const [first, second] = [await shareRecord(scope, sent), await shareRecord(scope, sent)]
    expect(first).toEqual(second)
    expect(await listShareLinks(scope, id)).toHaveLength(1)
  })
})
