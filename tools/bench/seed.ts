import { randomUUID } from 'node:crypto'
import { sql } from 'drizzle-orm'
import { overviewOf, overviewMadeBy } from '@/core/record/overview'
import { closePool, database, inWorkspace, type Scope } from '@/db/client'
import { migrateDatabase } from '@/db/migrate'
import { addMember } from '@/db/queries/member'
import { importReadings } from '@/db/queries/reading'
import { ensureSite } from '@/db/queries/site'
import { auth } from '@/server/auth'
import { demoInstallation } from '@/testing/examples'

export type Sizes = {
  readonly workspaces: number
  readonly installations: number
  readonly revisions: number
  /** Files of a year by minutes, two columns each. */
  readonly yearFiles: number
}

export const FULL: Sizes = { workspaces: 50, installations: 10_000, revisions: 10, yearFiles: 10 }

export type Seeded = {
  readonly people: readonly { readonly email: string; readonly workspaceId: string }[]
  readonly password: string
  /** In the largest workspace: an installation, and a file with a year in it. */
  readonly installationId: string
  readonly fileId: string
}

const PASSWORD = 'seven seeded herons'
const MINUTE_MS = 60_000
const YEAR_LINES = 525_600
const DUTIES = ['fruiting-room', 'inverter-cupboard', 'creamery-condenser', 'changing-rooms'] as const

/** Fills an empty database by SQL, in the shapes the program itself writes. The first workspace has half of everything. */
export async function seed(url: string, { workspaces, installations, revisions, yearFiles }: Sizes): Promise<Seeded> {
  process.env.DATABASE_URL = url
  await migrateDatabase()
  const { internalAdapter, password } = await auth().$context
  const hash = await password.hash(PASSWORD)
  const people: { email: string; workspaceId: string }[] = []
  for (let number = 0; number < workspaces; number++) {
    const email = `person${number}@seed.example`
    const user = await internalAdapter.createUser(
      { name: `Person ${number}`, email, emailVerified: true },
      { method: 'email-password' },
    )
    await internalAdapter.linkAccount({ userId: user.id, accountId: user.id, providerId: 'credential', password: hash })
    people.push({ email, workspaceId: (user as unknown as { workspaceId: string }).workspaceId })
    // Everybody belongs to the largest yard too, and works in it.
    if (number > 0) {
      await addMember({ workspaceId: people[0]!.workspaceId, personId: user.id, role: 'technician' })
      await database().execute(
        sql`update person set workspace_id = ${people[0]!.workspaceId}::uuid where id = ${user.id}`,
      )
    }
  }
  const rest = Math.floor(installations / 2 / Math.max(1, workspaces - 1))
  for (const [index, { workspaceId }] of people.entries())
    await fill(
      { workspaceId, personId: '', personName: `Person ${index}` },
      index === 0 ? Math.ceil(installations / 2) : rest,
      revisions,
    )
  const scope: Scope = { workspaceId: people[0]!.workspaceId, personId: '', personName: 'Person 0' }
  const [installationId] = await inWorkspace(scope, async (tx) =>
    (await tx.execute<{ id: string }>('select id from installation limit 1')).rows.map(({ id }) => id),
  )
  const fileId = await fillYear(scope, installationId!, yearFiles)
  await database().execute('analyze')
  await closePool()
  return { people, password: PASSWORD, installationId: installationId!, fileId }
}

/** Installations of four kinds on as many sites as there are hundreds of them. */
async function fill(scope: Scope, count: number, revisions: number): Promise<void> {
  const { workspaceId } = scope
  const sites = Math.max(1, Math.ceil(count / 100))
  for (let site = 0; site < sites; site++) {
    const { id: siteId } = await ensureSite(scope, `Site ${String(site).padStart(3, '0')}`)
    const most = Math.min(100, count - site * 100)
    for (const [kind, name] of DUTIES.entries()) {
      const document = demoInstallation(name)
      const { overview, needs } = overviewOf(document, { document, open: [] }, (error) => {
        throw error
      })
      await inWorkspace(scope, async (tx) => {
        const made = sql`select ${workspaceId}::uuid, id from made`
        await tx.execute(sql`with made as (
            insert into installation (workspace_id, id, site_id, last_seal_number, last_sealed_at)
            select ${workspaceId}::uuid, gen_random_uuid(), ${siteId}::uuid, ${revisions}, now() from generate_series(1, ${most}) as n where n % ${DUTIES.length} = ${kind}
            returning id
          ), copies as (
            insert into working_copy (workspace_id, installation_id, version, document, save_id, saved_by)
            select ${workspaceId}::uuid, id, 1, ${JSON.stringify(document)}::jsonb, gen_random_uuid(), 'Seed' from made
          ), lines as (
            insert into installation_line (workspace_id, installation_id, name, duty, needs, seal_number, is_as_sealed, line, made_by, version)
            select ${workspaceId}::uuid, id, ${document.name} || ' ' || left(id::text, 4), ${document.brief.duty}, ${needs}, ${revisions}, true, ${JSON.stringify(overview)}::jsonb, ${overviewMadeBy(new Date().toISOString().slice(0, 10))}, 1 from made
          ), entries as (
            insert into log_entry (workspace_id, id, installation_id, kind, text, written_by)
            select ${workspaceId}::uuid, gen_random_uuid(), id, 'sealed', 'Sealed revision ' || n, 'Seed' from made, generate_series(1, ${revisions}) as n
          )
          insert into revision (workspace_id, installation_id, id, number, reason, document, open, sealed_by)
          select sealed.*, gen_random_uuid(), n, 'seeded', ${JSON.stringify(document)}::jsonb, '[]'::jsonb, 'Seed' from (${made}) as sealed, generate_series(1, ${revisions}) as n`)
      })
    }
  }
}

/** A year by minutes, brought in as a file is, and copied. Returns the first file. */
async function fillYear(scope: Scope, installationId: string, files: number): Promise<string> {
  const fromMs = Date.UTC(2025, 10, 1)
  const batches = async function* () {
    for (let line = 0; line < YEAR_LINES; line += 5000)
      yield await Promise.resolve(
        Array.from({ length: Math.min(5000, YEAR_LINES - line) }, (_, index) => {
          const atMs = fromMs + (line + index) * MINUTE_MS
          return { atMs, values: [20 + 5 * Math.sin(atMs / 6e6), 60 + 20 * Math.sin(atMs / 9e6)] }
        }),
      )
  }
  const first = randomUUID()
  const columns = [
    { name: 'temperature', quantity: 'temperature' },
    { name: 'humidity', quantity: 'humidity' },
  ] as const
  await importReadings(scope, { id: first, installationId, name: 'year 1.csv', columns, zone: 'as-written' }, batches())
  for (let file = 2; file <= files; file++)
    await inWorkspace(scope, async (tx) => {
      const id = randomUUID()
      await tx.execute(sql`insert into reading_file (workspace_id, id, installation_id, name, columns, line_count, from_ms, to_ms, zone)
        select workspace_id, ${id}::uuid, installation_id, ${`year ${file}.csv`}, columns, line_count, from_ms, to_ms, zone from reading_file where id = ${first}::uuid`)
      await tx.execute(sql`insert into reading (workspace_id, file_id, column_no, at_ms, value)
        select workspace_id, ${id}::uuid, column_no, at_ms, value from reading where file_id = ${first}::uuid`)
      await tx.execute(sql`insert into reading_level (workspace_id, file_id, column_no, width_ms, at_ms, low, high, mean, count)
        select workspace_id, ${id}::uuid, column_no, width_ms, at_ms, low, high, mean, count from reading_level where file_id = ${first}::uuid`)
    })
  return first
}
