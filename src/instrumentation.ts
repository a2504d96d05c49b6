/** Called once when a server process starts: the first request does not wait for a worker. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.GALE_WORKERS === '0') return
  const { heavy } = await import('@/server/heavy/heavy')
  await heavy('canonicalJson', {})
}
