import { build as bundle } from 'esbuild'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { passes, root, tool } from './run'
import { Trouble } from './trouble'

const SOURCES = ['src', 'next.config.ts', 'package-lock.json', 'tsconfig.json']
const MARK = '.next/gale-sources'

function* filesUnder(path: string): Generator<string> {
  const entries = readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))
  for (const entry of entries) {
    const inside = join(path, entry.name)
    if (entry.isDirectory()) yield* filesUnder(inside)
    else if (!/\.test\.tsx?$|\.generated\.js$/.test(entry.name)) yield inside
  }
}

function sourcesMark(): string {
  const hash = createHash('sha256')
  for (const source of SOURCES)
    for (const file of source === 'src' ? filesUnder(source) : [source]) hash.update(file).update(readFileSync(file))
  return hash.digest('hex')
}

/** Where the programs beside the application are built: they run without a compiler in the process, which holds memory and slows a start. */
const PROGRAMS = '.next/gale'
const WEB_PROGRAM = `${PROGRAMS}/serve.mjs`
/** How Node.js runs the web process: garbage of requests is collected before there is much of it. Its memory is a third smaller so, and no page slower. */
export const WEB_ARGS: readonly string[] = [
  '--max-semi-space-size=8',
  '--max-old-space-size=512',
  `${root}/${WEB_PROGRAM}`,
]
export const IMPORTER_PROGRAM = `${PROGRAMS}/importer.mjs`

async function bundlePrograms(): Promise<void> {
  await bundle({
    entryPoints: {
      serve: 'src/server/front/serve.ts',
      worker: 'src/server/heavy/worker.ts',
      paperWorker: 'src/server/heavy/paperWorker.ts',
      importer: 'src/server/jobs/importer.ts',
    },
    outdir: PROGRAMS,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
  })
}

/** Builds the application when its sources are not those of the last build. */
export async function ensureBuilt(): Promise<void> {
  const mark = sourcesMark()
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === mark) return
  console.error('gale: building (about a minute)…')
  const { writeStandalone } = await import('./standalone')
  writeStandalone()
  const built = await passes(tool('next'), ['build'], {
    cwd: root,
    stdio: ['ignore', process.env.GALE_VERBOSE ? 'inherit' : 'ignore', 'inherit'],
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
  })
  if (!built) throw new Trouble('The build failed; its message is above.')
  await bundlePrograms()
  writeFileSync(MARK, mark)
}
