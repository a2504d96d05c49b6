import { Client } from 'pg'
import { LIVE_CHANNEL, type LiveEvent } from '@/db/queries/live'

type Told = LiveEvent | { readonly kind: 'again' }
type Listener = (event: Told) => void

const AGAIN_MS = 1000

/** Hears of the database what was kept anywhere, and tells the pages of this process. One connection, which nothing else uses: notifications come to
 *  the session that listens, so it must not go through a pooler. */
class Hub {
  private readonly listeners = new Map<string, Set<Listener>>()
  private client: Client | null = null

  /** Tells what happens to an installation; returns how to stop. */
  listen(workspaceId: string, installationId: string, listener: Listener): () => void {
    const key = `${workspaceId} ${installationId}`
    const here = this.listeners.get(key) ?? new Set()
    this.listeners.set(key, here.add(listener))
    if (!this.client) void this.connect()
    return () => {
      here.delete(listener)
      if (here.size === 0) this.listeners.delete(key)
    }
  }

  /** Stops listening, so that a test can end. */
  async close(): Promise<void> {
    this.listeners.clear()
    this.isClosed = true
    await this.client?.end()
  }

  private isClosed = false

  private async connect(): Promise<void> {
    const client = new Client({ connectionString: process.env.GALE_LISTEN_URL ?? process.env.DATABASE_URL })
    this.client = client
    let isOver = false
    const again = () => {
      if (isOver || this.isClosed) return
      isOver = true
      client.end().catch(() => undefined)
      setTimeout(() => void this.connect(), AGAIN_MS).unref()
    }
    client.on('error', again)
    client.on('end', again)
    client.on('notification', ({ payload }) => this.tell(payload))
    try {
      await client.connect()
      await client.query(`listen ${LIVE_CHANNEL}`)
      // What was told while nobody listened is asked for.
      for (const here of this.listeners.values()) for (const listener of here) listener({ kind: 'again' })
    } catch {
      again()
    }
  }

  private tell(payload: string | undefined): void {
    const event = JSON.parse(payload ?? '{}') as LiveEvent
    for (const listener of this.listeners.get(`${event.workspaceId} ${event.installationId}`) ?? []) listener(event)
  }
}

const held = globalThis as { galeHub?: Hub }
export const hub = (): Hub => (held.galeHub ??= new Hub())
