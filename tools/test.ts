import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { tmpdir } from 'node:os'
import { ensureBuilt } from './build'
import { startCluster, stopCluster } from './cluster'
import { needChromium } from './debian'
import { passes, root, tool } from './run'

type Part = { readonly name: string; readonly run: () => Promise<boolean> }

/** dependency-cruiser ends well when it could read nothing: then the rules have proved nothing. */
const LEAST_CRUISED = 150

async function importRules(): Promise<boolean> {
  // What is made before the build is imported too.
  const { writeStandalone } = await import('./standalone')
  writeStandalone()
  const { stdout, status } = spawnSync(
    tool('depcruise'),
    ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'],
    { encoding: 'utf8', maxBuffer: 1e9 },
  )
  const { summary } = JSON.parse(stdout) as {
    summary: { totalCruised: number; violations: { from: string; to: string; rule: { name: string } }[] }
  }
  for (const { rule, from, to } of summary.violations) console.error(`${rule.name}: ${from} → ${to}`)
  if (summary.totalCruised < LEAST_CRUISED)
    console.error(`only ${summary.totalCruised} modules were read; at least ${LEAST_CRUISED} are there`)
  return status === 0 && summary.violations.length === 0 && summary.totalCruised >= LEAST_CRUISED
}

/** Jest against a cluster that is thrown away, each file with a database of its own. */
async function unitAndDatabase(): Promise<boolean> {
  const folder = mkdtempSync(`${tmpdir()}/gale-test-`)
  const cluster = await startCluster(folder, { throwaway: true })
  try {
    return await passes(process.execPath, ['--max-old-space-size=4096', `${root}/node_modules/jest/bin/jest.js`], {
      env: { ...process.env, GALE_TEST_DATABASE_URL: cluster.url },
    })
  } finally {
    await stopCluster(cluster)
    rmSync(folder, { recursive: true, force: true })
  }
}

async function build(): Promise<boolean> {
  await ensureBuilt()
  return true
}

async function browser(): Promise<boolean> {
  await needChromium()
  return passes(tool('playwright'), ['test'])
}

/** What is published in docs/formats must be what the program checks by. */
async function published(): Promise<boolean> {
  const { formats } = await import('./publishSchemas')
  const stale = formats().filter(({ file, text }) => !existsSync(file) || readFileSync(file, 'utf8') !== text)
  for (const { file } of stale) console.error(`${file} is not what the program checks by; run npm run schemas`)
  return stale.length === 0
}

const PARTS: readonly Part[] = [
  { name: 'format', run: () => passes(tool('prettier'), ['--check', '--log-level', 'warn', '.']) },
  { name: 'lint', run: () => passes(tool('eslint'), ['.', '--max-warnings', '0']) },
  {
    name: 'types',
    run: async () =>
      (await passes(tool('next'), ['typegen'], { stdio: 'ignore' })) && passes(tool('tsc'), ['--noEmit']),
  },
  { name: 'imports', run: importRules },
  // What is exported and used by nobody, or stands in package.json for nothing.
  { name: 'unused', run: () => passes(tool('knip'), ['--no-progress']) },
  { name: 'formats', run: published },
  { name: 'unit', run: unitAndDatabase },
  { name: 'build', run: build },
  { name: 'browser', run: browser },
]

const SOURCE: ReadonlySet<string> = new Set(['format', 'types', 'imports', 'unused', 'formats'])
const isLint = ({ name }: Part): boolean => name === 'lint'

type Result = { readonly name: string; readonly passed: boolean; readonly seconds: number }

async function inTurn(parts: readonly Part[]): Promise<Result[]> {
  const results: Result[] = []
  for (const { name, run } of parts) {
    console.log(`\n— ${name}`)
    const startedAt = Date.now()
    const passed = await run().catch((error: unknown) => {
      console.error(error instanceof Error ? error.message : error)
      return false
    })
    results.push({ name, passed, seconds: Math.round((Date.now() - startedAt) / 1000) })
  }
  return results
}

/** Runs every part, or those named, and prints one summary; 1 when any failed. */
export async function test(names: readonly string[] = []): Promise<number> {
  const unknown = names.find((name) => !PARTS.some((part) => part.name === name))
  if (unknown !== undefined) {
    console.error(`gale: test has no part “${unknown}”; it has ${PARTS.map(({ name }) => name).join(', ')}.`)
    return 2
  }
  const wanted = PARTS.filter((part) => names.length === 0 || names.includes(part.name))
  // Lint takes as long as all the others that only read the source: it goes on beside them.
  const [beside, ofSource] = [wanted.filter(isLint), wanted.filter((part) => !isLint(part) && SOURCE.has(part.name))]
  const results = [
    ...(await Promise.all([inTurn(beside), inTurn(ofSource)])).flat(),
    ...(await inTurn(wanted.filter((part) => !isLint(part) && !SOURCE.has(part.name)))),
  ]
  console.log('\nSummary')
  for (const { name, passed, seconds } of results)
    console.log(`  ${passed ? 'passed' : 'FAILED'}  ${name} (${seconds} s)`)
  const failed = results.filter(({ passed }) => !passed).length
  console.log(`${results.length - failed} passed, ${failed} failed`)
  return failed > 0 ? 1 : 0
}
