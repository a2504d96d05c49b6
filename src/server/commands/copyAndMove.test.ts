import { randomUUID } from 'node:crypto'
import { problemLine } from '@/core/words/problems'
import type { Scope } from '@/db/client'
import { getInstallation } from '@/db/queries/installation'
import { listLog } from '@/db/queries/log'
import { ensureSite, getSite, listSites } from '@/db/queries/site'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { copyInstallation, moveInstallation } from '@/server/commands/copyAndMove'
import { keepSite } from '@/server/commands/keepSite'
import { importInstallation } from '@/server/commands/makeInstallation'
import { demoText } from '@/testing/examples'

useThrowawayDatabase()

let scope: Scope
let of: string
beforeEach(async () => {
  scope = await newScope()
  of = randomUUID()
  await importInstallation(scope, { id: of, site: 'Lock Cottage', text: demoText('installations/kiln-room.json') })
})

const namedAt = async (id: string) => {
  const row = await getInstallation(scope, id)
  return row?.kind === 'open' ? [row.workingCopy.document.name, row.siteName] : null
}

describe('another like it', () => {
  test('stands on the same site, once however often it is sent', async () => {
    const sent = { id: randomUUID(), of, name: ' Kiln room, left ' }
    expect(await copyInstallation(scope, sent)).toEqual({ kind: 'done', id: sent.id })
    expect(await copyInstallation(scope, sent)).toEqual({ kind: 'done', id: sent.id })
    expect(await namedAt(sent.id)).toEqual(['Kiln room, left', 'Lock Cottage'])
    expect((await listLog(scope, { installationId: sent.id })).map(({ text }) => text)).toEqual([
      'Kiln room, left was created.',
    ])
  })
  test('is none of another workspace’s, nor without a name', async () => {
    const sent = { id: randomUUID(), of, name: 'Mine now' }
    expect(await copyInstallation(await newScope(), sent)).toEqual({ kind: 'unknown' })
    expect(await copyInstallation(scope, { ...sent, name: '  ' })).toMatchObject({ kind: 'invalid' })
  })
})

describe('to another site', () => {
  test('it moves with all that is of it, and its log says from where', async () => {
    expect(await moveInstallation(scope, { id: of, site: 'Weir House' })).toEqual({ kind: 'done' })
    expect(await moveInstallation(scope, { id: of, site: 'Weir House' })).toEqual({ kind: 'done' })
    expect((await namedAt(of))?.[1]).toBe('Weir House')
    const moved = (await listLog(scope, { installationId: of })).filter(({ text }) => /^Moved/.test(text))
    expect(moved.map(({ text }) => text)).toEqual(['Moved from Lock Cottage to Weir House.'])
  })
  test('another workspace moves nothing, and makes no site for it', async () => {
    const other = await newScope()
    expect(await moveInstallation(other, { id: of, site: 'Weir House' })).toEqual({ kind: 'unknown' })
    expect((await listSites(other)).map(({ name }) => name)).not.toContain('Weir House')
  })
})

describe('a site', () => {
  const facts = { address: 'Lock 4', contact: 'the keeper', access: 'key in the shed', zone: 'Europe/Oslo' }
  test('is called otherwise, and what stands there stays', async () => {
    const { id } = await ensureSite(scope, 'Lock Cottage')
    expect(await keepSite(scope, { id, name: 'Lock Cottage, north', ...facts })).toEqual({ kind: 'done' })
    expect(await getSite(scope, id)).toEqual({ id, name: 'Lock Cottage, north', ...facts })
    expect((await namedAt(of))?.[1]).toBe('Lock Cottage, north')
  })
  test('never takes the name of another, nor is it kept by another workspace', async () => {
    const { id } = await ensureSite(scope, 'Lock Cottage')
    await ensureSite(scope, 'Weir House')
    const answer = await keepSite(scope, { id, name: 'Weir House', ...facts })
    expect(answer.kind === 'invalid' && answer.problems.map(problemLine).join()).toContain('is called that already')
    expect((await getSite(scope, id))?.name).toBe('Lock Cottage')
    expect(await keepSite(await newScope(), { id, name: 'Mine', ...facts })).toEqual({ kind: 'unknown' })
  })
  test.each(['Middle/Earth', 'as-written', 'constructor'])('“%s” is no time zone', async (zone) => {
    const { id } = await ensureSite(scope, 'Lock Cottage')
    const answer = await keepSite(scope, { id, name: 'Lock Cottage', ...facts, zone })
    expect(answer.kind === 'invalid' && answer.problems.map(problemLine).join()).toContain(`“${zone}” is no time zone`)
    expect((await getSite(scope, id))?.zone).toBe('')
  })
})
