import { randomUUID } from 'node:crypto'
import { createInstallation } from '@/db/queries/installation'
import { leavePresence, touchPresence } from '@/db/queries/presence'
import { ensureSite } from '@/db/queries/site'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { demoInstallation } from '@/testing/examples'

useThrowawayDatabase()

test('two who have it open are told of each other until one leaves; one’s own other page is not told', async () => {
  const tam = await newScope()
  const ida = { ...tam, personName: 'Ida Wren' }
  const id = randomUUID()
  const site = await ensureSite(tam, 'Lock Cottage')
  await createInstallation(tam, { id, siteId: site.id, document: demoInstallation('kiln-room') })
  const page = () => ({ pageId: randomUUID(), installationId: id })
  const [first, second] = [page(), page()]
  expect(await touchPresence(tam, first)).toEqual({ others: [], version: 1 })
  expect(await touchPresence(tam, page())).toEqual({ others: [], version: 1 })
  expect(await touchPresence(ida, second)).toEqual({ others: ['Tam Reed'], version: 1 })
  expect(await touchPresence(tam, first)).toEqual({ others: ['Ida Wren'], version: 1 })
  await leavePresence(ida, second.pageId)
  expect(await touchPresence(tam, first)).toEqual({ others: [], version: 1 })
})

test('nobody can be present at what is not there', async () => {
  const tam = await newScope()
  expect(await touchPresence(tam, { pageId: randomUUID(), installationId: randomUUID() })).toBeNull()
})
