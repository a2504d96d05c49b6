import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { ensureBuilt, WEB_ARGS } from '../build'
import { startCluster, stopCluster } from '../cluster'
import { freePort, until } from '../run'
import { seed, type Seeded, type Sizes } from './seed'

export type SeededServer = { readonly url: string; readonly seeded: Seeded; readonly webPid: number }

/** Serves a database filled by `seed`, for as long as the work takes. */
export async function withSeededServer<T>(sizes: Sizes, work: (server: SeededServer) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(`${tmpdir()}/gale-seeded-`)
  process.env.BETTER_AUTH_SECRET ??= randomUUID() + randomUUID()
  await ensureBuilt()
  const cluster = await startCluster(folder)
  let web: ChildProcess | null = null
  try {
    const seeded = await seed(cluster.url, sizes)
    const port = await freePort(4480)
    const url = `http://127.0.0.1:${port}`
    web = spawn(process.execPath, WEB_ARGS, {
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        DATABASE_URL: cluster.url,
        PORT: String(port),
        GALE_URL: url,
        GALE_LIMIT_TIMES: '1000',
      },
    })
    const isUp = () =>
      fetch(`${url}/api/health`).then(
        ({ ok }) => ok,
        () => false,
      )
    await until(isUp, 60)
    return await work({ url, seeded, webPid: web.pid! })
  } finally {
    web?.kill('SIGTERM')
    await stopCluster(cluster)
    rmSync(folder, { recursive: true, force: true })
  }
}
