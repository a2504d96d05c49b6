import { askDatabase } from '@/db/client'
import { isMigrated } from '@/db/migrate'

export const dynamic = 'force-dynamic'

/** Whether this process may be sent requests: its database answers and is of its own version. */
export async function GET(): Promise<Response> {
  try {
    await askDatabase()
    const isReady = await isMigrated()
    return Response.json(
      { ok: isReady, ...(!isReady && { why: 'the database is of another version' }) },
      { status: isReady ? 200 : 503 },
    )
  } catch {
    return Response.json({ ok: false, why: 'the database cannot be reached' }, { status: 503 })
  }
}
