import { randomUUID } from 'node:crypto'
import { database, closePool } from '@/db/client'
import { OTHER_TABLES, WORKSPACE_TABLES } from '@/db/schema'
import { useThrowawayDatabase } from '@/db/testing/throwawayDatabase'

// So that the tables can be spread over machines by workspace: its id leads every key and index of theirs, and no reference goes from one workspace to
// another.

useThrowawayDatabase()

afterAll(closePool)

test('every table is of a workspace, or is listed as one that is not', async () => {
  const { rows } = await database().execute<{ name: string }>(
    `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
  )
  expect(rows.map(({ name }) => name).sort()).toEqual([...WORKSPACE_TABLES, ...OTHER_TABLES].sort())
})

test('the workspace leads every key and every index of what belongs to one', async () => {
  const { rows } = await database().execute<{ table: string; index: string; first: string }>(
    `select t.relname as table, i.relname as index, a.attname as first
      from pg_index x join pg_class t on t.oid = x.indrelid join pg_class i on i.oid = x.indexrelid
      join pg_attribute a on a.attrelid = t.oid and a.attnum = x.indkey[0]
      join pg_namespace n on n.oid = t.relnamespace where n.nspname = 'public' and t.relkind in ('r', 'p')`,
  )
  const names: readonly string[] = [...WORKSPACE_TABLES, 'member', 'bin']
  const led = rows.filter(({ table }) => names.includes(table))
  // By whom: members are looked up by person, the bin by time.
  const exempt = ['member_person', 'bin_gone']
  expect(led.filter(({ first, index }) => first !== 'workspace_id' && !exempt.includes(index))).toEqual([])
  expect(new Set(led.map(({ table }) => table)).size).toBe(names.length)
})

test('every reference between tables of a workspace carries it', async () => {
  const { rows } = await database().execute<{ name: string; columns: string[]; target: string }>(
    `select c.conname as name, f.relname as target, array_agg(a.attname::text order by k.place) as columns
      from pg_constraint c join pg_class t on t.oid = c.conrelid join pg_class f on f.oid = c.confrelid
      cross join lateral unnest(c.conkey) with ordinality as k(number, place)
      join pg_attribute a on a.attrelid = t.oid and a.attnum = k.number
      where c.contype = 'f' group by 1, 2`,
  )
  const targets: readonly string[] = WORKSPACE_TABLES
  const between = rows.filter(({ target }) => targets.includes(target))
  expect(between.filter(({ columns }) => columns[0] !== 'workspace_id')).toEqual([])
  expect(between.length).toBeGreaterThan(8)
})

test('what one asks of its own rows is found by an index', async () => {
  const id = randomUUID()
  for (const [table, where] of [
    ['log_entry', `order by seq desc limit 200`],
    ['check_result', `and installation_id = '${id}' order by seq`],
    ['revision', `and installation_id = '${id}' and number = 3`],
    ['reading_level', `and file_id = '${id}' and width_ms = 3600000`],
    ['import_job', `and installation_id = '${id}' order by asked_at desc limit 10`],
    ['audit', `order by seq desc limit 200`],
    ['presence', `and installation_id = '${id}'`],
  ]) {
    const plan = await database().transaction(async (tx) => {
      // An empty table would be read from end to end: that is cheapest.
      await tx.execute('set local enable_seqscan = off')
      await tx.execute('set local enable_sort = off')
      const { rows } = await tx.execute(`explain select * from ${table} where workspace_id = '${id}' ${where}`)
      return JSON.stringify(rows)
    })
    expect(plan).toMatch(/Index (Only )?Scan|Bitmap Index Scan/)
  }
})
