import { sql } from 'drizzle-orm'
import type { Transaction } from '@/db/client'

/** The channel on which every web process hears what was kept. */
export const LIVE_CHANNEL = 'gale_live'

/** What happened to an installation, small enough for a notification: whoever wants to know more asks. */
export type LiveEvent = { readonly workspaceId: string; readonly installationId: string } & (
  | { readonly kind: 'kept'; readonly version: number; readonly by: string }
  | { readonly kind: 'sealed'; readonly number: number; readonly by: string }
  | { readonly kind: 'present' }
)

/** Tells every page that has the installation open, once the transaction is through. */
export async function tellLive(tx: Transaction, event: LiveEvent): Promise<void> {
  await tx.execute(sql`select pg_notify(${LIVE_CHANNEL}, ${JSON.stringify(event)})`)
}
