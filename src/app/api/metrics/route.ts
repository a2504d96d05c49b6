import { timingSafeEqual } from 'node:crypto'
import { ADDRESS_HEADER, isLocal } from '@/server/address'
import { metricsText } from '@/server/metrics'

export const dynamic = 'force-dynamic'

/** Figures for Prometheus: for this machine itself, or whoever holds the token of GALE_METRICS_TOKEN. */
export async function GET(request: Request): Promise<Response> {
  if (!isLocal(request.headers.get(ADDRESS_HEADER)) && !holdsToken(request.headers.get('authorization')))
    return new Response('Not for you.', { status: 403 })
  return new Response(await metricsText(), { headers: { 'content-type': 'text/plain; version=0.0.4; charset=utf-8' } })
}

function holdsToken(header: string | null): boolean {
  const token = process.env.GALE_METRICS_TOKEN
  if (!token || !header?.startsWith('Bearer ')) return false
  const [mine, theirs] = [Buffer.from(token), Buffer.from(header.slice('Bearer '.length))]
  return mine.length === theirs.length && timingSafeEqual(mine, theirs)
}
