import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { Client } from 'pg'
import { closePool, database, inWorkspace, type Scope } from '@/db/client'
import { isMigrated, migrateDatabase } from '@/db/migrate'
import { listCheckResults } from '@/db/queries/checkResult'
import { getInstallation } from '@/db/queries/installation'
import { listLog } from '@/db/queries/log'
import { listMemberships } from '@/db/queries/member'
import { getReadings, listReadingFiles, viewReadings } from '@/db/queries/reading'
import { getSealed, listRevisions } from '@/db/queries/revision'
import { demoInstallation, demoModel } from '@/testing/examples'

// Every schema that was released, filled as its program filled it, is brought up to now; what was in it is read by the queries of now.

type Journal = { entries: { idx: number; tag: string; when: number }[] }
const folder = join(process.cwd(), 'src/db/migrations')
const journal = JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as Journal

/** A copy of the migrations that ends with one of them, or goes on with one that fails. */
function migrationsUpTo(count: number, broken?: string): string {
  const copy = mkdtempSync(join(tmpdir(), 'gale-migrations-'))
  cpSync(folder, copy, { recursive: true })
  const entries = journal.entries.slice(0, count)
  if (broken !== undefined) {
    const last = entries.at(-1)!
    writeFileSync(join(copy, '9999_broken.sql'), broken)
    entries.push({ ...last, idx: last.idx + 1, tag: '9999_broken', when: last.when + 1 })
  }
  writeFileSync(join(copy, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }))
  return copy
}

async function admin(statement: string): Promise<void> {
  const client = new Client({ connectionString: process.env.GALE_TEST_DATABASE_URL })
  await client.connect()
  try {
    await client.query(statement)
  } finally {
    await client.end()
  }
}

let name = ''
beforeEach(async () => {
  name = `test_${randomUUID().replaceAll('-', '')}`
  await admin(`create database ${name}`)
  const address = new URL(process.env.GALE_TEST_DATABASE_URL!)
  address.pathname = `/${name}`
  process.env.DATABASE_URL = address.toString()
})
afterEach(async () => {
  await closePool()
  await admin(`drop database ${name} with (force)`)
})

const ids = { site: randomUUID(), installation: randomUUID(), file: randomUUID() }
const scope: Scope = { workspaceId: randomUUID(), personId: 'person-1', personName: 'Tam Reed' }
const FROM_MS = Date.UTC(2025, 10, 30, 23)

/** Fills a database as a program of that time did. The tables had these columns from the first release on. */
const fill = (released: number): Promise<void> =>
  inWorkspace(scope, async (tx) => {
    const { workspaceId } = scope
    const document = JSON.stringify(demoInstallation('fruiting-room')).replaceAll("'", "''")
    const model = JSON.stringify(demoModel('two-pad-pwm')).replaceAll("'", "''")
    // Columns of readings had no name of their own before the third.
    const columns = released >= 3 ? '[{"name":"temperature","quantity":"temperature"}]' : '["temperature"]'
    if (released >= 4)
      await tx.execute(`select reading_month(${FROM_MS}::bigint), reading_month(${FROM_MS + 7_200_000}::bigint)`)
    const of = `'${workspaceId}', '${ids.installation}'`
    for (const statement of [
      `insert into workspace (id, name) values ('${workspaceId}', 'Tam’s yard')`,
      `insert into person (id, name, email, workspace_id) values ('person-1', 'Tam Reed', 'tam@reed.example', '${workspaceId}')`,
      `insert into site (id, workspace_id, name) values ('${ids.site}', '${workspaceId}', 'Lock Cottage')`,
      `insert into installation (workspace_id, id, site_id) values (${of}, '${ids.site}')`,
      `insert into working_copy (workspace_id, installation_id, version, document, save_id, saved_by) values (${of}, 4, '${document}', '${randomUUID()}', 'Tam Reed')`,
      `insert into revision (id, workspace_id, installation_id, number, reason, document, sealed_by) values ('${randomUUID()}', ${of}, 1, 'first', '${document}', 'Tam Reed'), ('${randomUUID()}', ${of}, 2, 'second', '${document}', 'Ada Fenn')`,
      `insert into check_result (id, workspace_id, installation_id, "check", given, reading, verdict, ${released >= 10 ? 'finding' : 'sentence'}, read_by) values ('${randomUUID()}', ${of}, 'floor', 'x', '{"kind":"speed","steps":[{"inputs":{},"fansPct":{"exhaust":25}}]}', 'holds', '${released >= 10 ? '{"code":"as-written","text":"Good."}' : 'Good.'}', 'Tam Reed')`,
      `insert into log_entry (id, workspace_id, installation_id, kind, text, written_by) values ('${randomUUID()}', ${of}, 'note', 'The shutter sticks.', 'Tam Reed'), ('${randomUUID()}', '${workspaceId}', null, 'note', 'The van is back.', 'Tam Reed')`,
      `insert into controller_model (workspace_id, id, document) values ('${workspaceId}', 'two-pad-pwm', '${model}')`,
      `insert into reading_file (id, workspace_id, installation_id, name, columns, line_count, from_ms, to_ms) values ('${ids.file}', ${of}, 'night.csv', '${columns}', 240, ${FROM_MS}, ${FROM_MS + 7_170_000})`,
      `insert into reading (workspace_id, file_id, column_no, at_ms, value) select '${workspaceId}', '${ids.file}', 0, ${FROM_MS}::bigint + line * 30000, line from generate_series(0, 239) as line`,
    ])
      await tx.execute(statement)
  })

test.each(journal.entries.map(({ tag }, index) => [tag, index + 1] as const))(
  'a database of %s comes up to now with everything in it',
  async (_tag, released) => {
    await migrate(database(), { migrationsFolder: migrationsUpTo(released) })
    await fill(released)
    await migrateDatabase()
    expect(await isMigrated()).toBe(true)
    expect(await getInstallation(scope, ids.installation)).toMatchObject({ kind: 'open', workingCopy: { version: 4 } })
    const seals = await listRevisions(scope, ids.installation)
    expect(seals.map(({ number, sealedBy }) => [number, sealedBy])).toEqual([
      [2, 'Ada Fenn'],
      [1, 'Tam Reed'],
    ])
    expect(await getSealed(scope, ids.installation, 1)).toEqual(demoInstallation('fruiting-room'))
    expect(await listCheckResults(scope, ids.installation)).toMatchObject([
      { check: 'floor', verdict: 'passes', finding: { code: 'as-written', text: 'Good.' } },
    ])
    expect((await listLog(scope)).map(({ text }) => text).sort()).toEqual(['The shutter sticks.', 'The van is back.'])
    const [file] = await listReadingFiles(scope, ids.installation)
    expect(file).toMatchObject({ name: 'night.csv', columns: [{ name: 'temperature', quantity: 'temperature' }] })
    const table = await getReadings(scope, ids.file)
    expect([table?.values[0]?.length, table?.values[0]?.at(-1)]).toEqual([240, 239])
    // By minutes, which are made on the way.
    const view = await viewReadings(scope, ids.file, FROM_MS, FROM_MS + 7_170_000, 120)
    expect([view?.columns[0]?.length, view?.columns[0]?.at(-1)?.slice(1)]).toEqual([120, [238, 239]])
    // The ninth makes members of those who were there before.
    if (released < 9)
      expect(await listMemberships('person-1')).toEqual([{ workspaceId: scope.workspaceId, role: 'owner' }])
  },
)

test('one that fails leaves the old state, and what is in it', async () => {
  await migrate(database(), { migrationsFolder: migrationsUpTo(7) })
  await fill(7)
  const state = async () => {
    const { rows } = await database().execute(
      `select table_name, column_name from information_schema.columns where table_schema = 'public' order by 1, 2`,
    )
    const { rows: done } = await database().execute('select count(*) from drizzle.__drizzle_migrations')
    return { rows, done }
  }
  const before = await state()
  const broken = migrationsUpTo(
    journal.entries.length,
    'create table half_made (x int);--> statement-breakpoint\nselect 1 / 0;',
  )
  await expect(migrate(database(), { migrationsFolder: broken })).rejects.toThrow()
  await closePool()
  expect(await state()).toEqual(before)
  await migrateDatabase()
  expect(await getInstallation(scope, ids.installation)).toMatchObject({ kind: 'open' })
})
