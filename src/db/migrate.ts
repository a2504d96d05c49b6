import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { database, type Database } from '@/db/client'

/** The database cannot be used as it is; the message says why and what to do. */
export class DatabaseUnfit extends Error {}

const migrationsFolder = join(process.cwd(), 'src/db/migrations')

/** Brings the database up to this program; refuses one that a newer program made, or a role that row security does not bind. */
export async function migrateDatabase(): Promise<void> {
  const db = database()
  const { rows: roles } = await db.execute<{ name: string; free: boolean }>(
    sql`select rolname as name, rolsuper or rolbypassrls as free from pg_roles where rolname = current_user`,
  )
  if (roles[0]?.free)
    throw new DatabaseUnfit(
      `The database role “${roles[0].name}” is not bound by row security (superuser or BYPASSRLS), so workspaces would not be kept apart. ` +
        'Make an ordinary role that owns the database (create role gale login; alter database … owner to gale) and name it in DATABASE_URL.',
    )
  if ((await newestIn(db)) > ours())
    throw new DatabaseUnfit(
      'The database was made by a newer Soft Gale than this one. Update the program, or name another database in DATABASE_URL. Nothing was changed.',
    )
  // All that are missing in one transaction: one that fails leaves the old state.
  await migrate(db, { migrationsFolder })
}

/** When the newest migration of this program was made. */
const ours = (): number => Math.max(...readMigrationFiles({ migrationsFolder }).map(({ folderMillis }) => folderMillis))

/** The same of the database; 0 where there is none yet. */
async function newestIn(db: Database): Promise<number> {
  const { rows: tables } = await db.execute<{ found: boolean }>(
    sql`select to_regclass('drizzle.__drizzle_migrations') is not null as found`,
  )
  if (!tables[0]?.found) return 0
  const { rows } = await db.execute<{ newest: string | null }>(
    sql`select max(created_at)::text as newest from drizzle.__drizzle_migrations`,
  )
  return Number(rows[0]?.newest ?? 0)
}

/** Whether the database is of this program’s version. */
export const isMigrated = async (): Promise<boolean> => (await newestIn(database())) === ours()
