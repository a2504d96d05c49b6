import { randomUUID } from 'node:crypto'
import { Client } from 'pg'
import { closePool, type Scope } from '@/db/client'
import { migrateDatabase } from '@/db/migrate'
import { createWorkspace } from '@/db/queries/workspace'

async function admin(statement: string): Promise<void> {
  const url = process.env.GALE_TEST_DATABASE_URL
  if (!url) throw new Error('GALE_TEST_DATABASE_URL is not set; run ./gale test, or ./gale test unit')
  const client = new Client({ connectionString: url })
  await client.connect()
  try {
    await client.query(statement)
  } finally {
    await client.end()
  }
}

/** A database of this test file's own on the throwaway cluster, migrated, gone afterwards. */
export function useThrowawayDatabase(): { readonly url: () => string } {
  const name = `test_${randomUUID().replaceAll('-', '')}`
  let url = ''
  beforeAll(async () => {
    await admin(`create database ${name}`)
    const address = new URL(process.env.GALE_TEST_DATABASE_URL!)
    address.pathname = `/${name}`
    url = address.toString()
    process.env.DATABASE_URL = url
    // Tasks run here: starting a worker costs a second in each test file.
    process.env.GALE_WORKERS = '0'
    await migrateDatabase()
  })
  afterAll(async () => {
    await closePool()
    await admin(`drop database ${name} with (force)`)
  })
  return { url: () => url }
}

/** A person with a workspace of their own. */
export async function newScope(personName = 'Tam Reed'): Promise<Scope> {
  return { workspaceId: await createWorkspace(`${personName}’s yard`), personId: randomUUID(), personName }
}
