import { askDatabase } from '@/db/client'

export const dynamic = 'force-dynamic'

/** Whether the server can reach its database. */
export async function GET(): Promise<Response> {
  try {
    await askDatabase()
    return Response.json({ ok: true })
  } catch {
    return Response.json({ ok: false }, { status: 503 })
  }
}
