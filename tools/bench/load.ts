import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { pause } from '../run'
import { demoInstallation } from '@/testing/examples'
import { seeded } from '@/testing/seeded'
import { signIn } from './signIn'
import { FULL, type Seeded, type Sizes } from './seed'
import { withSeededServer } from './seededServer'

// `npm run bench:load [SMALLER]`: fifty people at once on a large database. Prints each aim and what was measured; a number makes everything so many
// times smaller.

const SECONDS = 20

type Asked = { readonly method?: string; readonly path: string; readonly body?: string }
type Aim = {
  readonly name: string
  /** At most so long for 95 of 100, ms. */
  readonly mostMs: number
  /** Each of the fifty does it this often, s: a page is looked at for a while, what is typed is kept at once. */
  readonly everyS: number
  readonly ask: (seeded: Seeded) => Asked
}

const AIMS: readonly Aim[] = [
  { name: 'yard', mostMs: 200, everyS: 10, ask: () => ({ path: '/yard' }) },
  { name: 'yard, searched', mostMs: 200, everyS: 10, ask: () => ({ path: '/yard?holds=Fruiting' }) },
  {
    name: 'installation page',
    mostMs: 200,
    everyS: 10,
    ask: ({ installationId }) => ({ path: `/installation/${installationId}/respond` }),
  },
  {
    name: 'save',
    mostMs: 200,
    everyS: 3,
    // The save of somebody who is behind costs as much: it is read, checked and compared.
    ask: ({ installationId }) => ({
      method: 'PUT',
      path: `/api/working-copy/${installationId}`,
      body: JSON.stringify({ baseVersion: 1, saveId: randomUUID(), document: demoInstallation('fruiting-room') }),
    }),
  },
  { name: 'log', mostMs: 200, everyS: 10, ask: () => ({ path: '/log' }) },
  { name: 'find', mostMs: 200, everyS: 3, ask: () => ({ path: '/api/find?holds=creamery' }) },
  {
    name: 'a year of readings',
    mostMs: 300,
    everyS: 3,
    ask: ({ fileId }) => ({
      path: `/api/readings/${fileId}/view?from=${Date.UTC(2025, 10, 1)}&to=${Date.UTC(2026, 10, 1)}&points=1000`,
    }),
  },
]

type Measured = { readonly ms: readonly number[]; readonly failed: number }

/** People do not wait for each other: requests come when they come (a Poisson process), whatever became of those before. Generators that keep so many
 *  connections busy let a slow server off. */
async function atTheirOwnPace(
  url: string,
  cookies: readonly string[],
  perS: number,
  asked: () => Asked,
): Promise<Measured> {
  const next = seeded(7)
  const ms: number[] = []
  let failed = 0
  const running: Promise<void>[] = []
  const endMs = performance.now() + SECONDS * 1000
  for (let person = 0; performance.now() < endMs; person++) {
    const { path, ...rest } = asked()
    const startedMs = performance.now()
    running.push(
      fetch(url + path, {
        ...rest,
        headers: { origin: url, 'content-type': 'application/json', cookie: cookies[person % cookies.length]! },
      }).then(
        async (answer) => {
          await answer.arrayBuffer()
          ms.push(performance.now() - startedMs)
          if (answer.status >= 500 || answer.status === 401 || answer.status === 429) failed++
        },
        () => void failed++,
      ),
    )
    await pause((-Math.log(1 - next()) / perS) * 1000)
  }
  await Promise.all(running)
  return { ms: ms.sort((a, b) => a - b), failed }
}

const share = (sorted: readonly number[], part: number): number =>
  Math.round(sorted[Math.floor(sorted.length * part)] ?? 0)

const memoryMb = (pid: number): number =>
  Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024)

async function main(smaller: number): Promise<void> {
  const sizes: Sizes = {
    workspaces: FULL.workspaces,
    installations: Math.ceil(FULL.installations / smaller),
    revisions: FULL.revisions,
    yearFiles: Math.max(1, Math.ceil(FULL.yearFiles / smaller)),
  }
  console.log(
    `${sizes.installations} installations × ${sizes.revisions} revisions in ${sizes.workspaces} workspaces, ${(sizes.yearFiles * 1.0512).toFixed(1)} million readings`,
  )
  await withSeededServer(sizes, async ({ url, seeded, webPid }) => {
    const cookies: string[] = []
    for (const { email } of seeded.people) {
      const cookie = await signIn(url, email, seeded.password)
      if (cookie === null) throw new Error(`${email} cannot sign in`)
      cookies.push(cookie)
    }
    let most = 0
    for (const { name, mostMs, everyS, ask } of AIMS) {
      // Once without measuring: the first of each page loads its code.
      for (let warm = 0; warm < 10; warm++) await fetch(url + ask(seeded).path, { headers: { cookie: cookies[0]! } })
      const perS = cookies.length / everyS
      const { ms, failed } = await atTheirOwnPace(url, cookies, perS, () => ask(seeded))
      most = Math.max(most, memoryMb(webPid))
      const p95 = share(ms, 0.95)
      console.log(
        `${name.padEnd(20)} ${perS.toFixed(1).padStart(5)}/s  median ${String(share(ms, 0.5)).padStart(4)} ms  p95 ${String(p95).padStart(5)} ms (aim ${mostMs})  ${p95 <= mostMs ? 'met' : `missed by ${p95 - mostMs} ms`}  failed ${failed} of ${ms.length}`,
      )
    }
    console.log(`web process: at most ${most} MB (aim 500)  ${most < 500 ? 'met' : 'missed'}`)
  })
}

await main(Math.max(1, Number(process.argv[2] ?? 1)))
process.exit(0)
