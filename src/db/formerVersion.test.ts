import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { eq } from 'drizzle-orm'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { givenMark } from '@/core/prove/givenMark'
import { inWorkspace } from '@/db/client'
import { createInstallation, getInstallation, saveWorkingCopy } from '@/db/queries/installation'
import { getSealed, sealRevision } from '@/db/queries/revision'
import { ensureSite } from '@/db/queries/site'
import { revision, workingCopy } from '@/db/schema'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { demoInstallation } from '@/testing/examples'

useThrowawayDatabase()

// As the last program that wrote version 1 stored it.
const former = JSON.parse(readFileSync('src/testing/former/installation-1.json', 'utf8')) as Installation

test('what was stored as version 1 opens as today’s, keeps its seal as it was sealed, and is written anew', async () => {
  const scope = await newScope()
  const id = randomUUID()
  const site = await ensureSite(scope, 'Lock Cottage')
  await createInstallation(scope, { id, siteId: site.id, document: demoInstallation('fruiting-room') })
  await inWorkspace(scope, (tx) =>
    tx.update(workingCopy).set({ document: former }).where(eq(workingCopy.installationId, id)),
  )
  const today = JSON.parse(readFileSync('src/testing/former/installation-1-as-2.json', 'utf8')) as Installation
  const opened = await getInstallation(scope, id)
  expect(opened).toMatchObject({ kind: 'open', workingCopy: { document: today, version: 1, problems: [] } })

  const seal = { id: randomUUID(), installationId: id, version: 1, reason: 'as it stood', open: [] }
  expect(await sealRevision(scope, seal)).toEqual({ kind: 'sealed', number: 1 })
  const [stored] = await inWorkspace(scope, (tx) => tx.select().from(revision).where(eq(revision.installationId, id)))
  expect(stored!.document).toEqual(former)
  const sealed = await getSealed(scope, id, 1)
  expect(sealed).toEqual(today)
  expect(givenMark(derive(sealed!).given.response)).toBe('c37c3876')

  const changed = { ...today, name: 'Changing rooms, north' }
  await saveWorkingCopy(scope, { id, baseVersion: 1, saveId: randomUUID(), document: changed })
  const [kept] = await inWorkspace(scope, (tx) =>
    tx.select().from(workingCopy).where(eq(workingCopy.installationId, id)),
  )
  expect(kept!.document).toMatchObject({ schema: 'soft-gale/installation@2', name: 'Changing rooms, north' })
})
