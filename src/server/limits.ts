import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { pool } from '@/db/client'

const MINUTE_S = 60
const HOUR_S = 3600

/** How often something may be tried, for everyone who is not known yet: points within seconds, by address or by account. */
const LIMITS = {
  /** Anything of the sign-in service. */
  'auth:address': { points: 600, duration: MINUTE_S },
  'sign-in:address': { points: 30, duration: 5 * MINUTE_S },
  'sign-in:account': { points: 10, duration: 15 * MINUTE_S },
  'sign-up:address': { points: 20, duration: HOUR_S },
  'letter:address': { points: 20, duration: HOUR_S },
  'letter:account': { points: 5, duration: HOUR_S },
  'demo:address': { points: 60, duration: 10 * MINUTE_S },
  'join:address': { points: 30, duration: 5 * MINUTE_S },
  'share:address': { points: 60, duration: 5 * MINUTE_S },
} as const
export type Limit = keyof typeof LIMITS

const held = globalThis as { galeLimits?: Map<Limit, RateLimiterPostgres> }

/** Where many people share one address, that address may try so many times more. */
function timesAtAddress(limit: Limit): number {
  const times = Number(process.env.GALE_LIMIT_TIMES ?? 1)
  return limit.endsWith(':address') && Number.isFinite(times) && times >= 1 ? times : 1
}

function limiter(limit: Limit): RateLimiterPostgres {
  held.galeLimits ??= new Map()
  const known = held.galeLimits.get(limit)
  if (known) return known
  const options = { ...LIMITS[limit], points: LIMITS[limit].points * timesAtAddress(limit), keyPrefix: limit }
  const made = new RateLimiterPostgres({
    ...options,
    storeClient: pool(),
    storeType: 'pool',
    tableName: 'try_count',
    tableCreated: true,
    clearExpiredByTimeout: false,
    // Without the database nobody signs in; counting goes on here meanwhile.
    insuranceLimiter: new RateLimiterMemory(options),
  })
  held.galeLimits.set(limit, made)
  return made
}

/** Counts a try. Null when it may go on; otherwise seconds to wait. Counters stand in the database: every web process counts together. */
export async function countTry(limit: Limit, key: string): Promise<number | null> {
  try {
    await limiter(limit).consume(key.slice(0, 200).toLowerCase())
    return null
  } catch (refused) {
    if (refused instanceof RateLimiterRes) return Math.max(1, Math.ceil(refused.msBeforeNext / 1000))
    throw refused
  }
}

/** What succeeded was no guessing: its tries are forgotten. */
export async function forgetTries(limit: Limit, key: string): Promise<void> {
  await limiter(limit).delete(key.slice(0, 200).toLowerCase())
}

/** Says to wait. */
export const tooMany = (seconds: number): Response =>
  Response.json(
    {
      message: `Too many tries; wait ${seconds < 90 ? `${seconds} s` : `${Math.ceil(seconds / 60)} min`} and try again.`,
    },
    { status: 429, headers: { 'retry-after': String(seconds) } },
  )
