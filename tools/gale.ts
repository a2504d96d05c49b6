import { runCommand } from '@/cli/main'
import { isForPapers, papers } from '@/cli/papers'
import { UsageError, type Streams } from '@/cli/streams'
import { Trouble } from './trouble'

const USAGE = `./gale start [--fresh-demo | --empty]   start Soft Gale here, with the demo when the database is empty
             [--host ADDRESS --url URL] where other machines reach it; see docs/operate.md
./gale stop                             stop it
./gale backup FILE                      everything into one file, while it runs; --nightly FOLDER keeps a row of them
./gale restore FILE                     a backup into an empty place
./gale test [PART…]                     format, lint, types, imports, unit and database tests, build, browser tests
./gale shots                            make the pictures in docs/screenshots again
./gale check FILE… [--judge]            validate documents
./gale check --seal FILE.zip            whether each sealed revision is what was sealed
./gale record|card|sheet|label|calendar|settings FILE.zip
             [--out FILE] [--rev N] [--units F,cfm] [--mm N]   what is left behind, of an exported zip
./gale evaluate FILE --at NAME=VALUE    what each fan gives, and why
./gale fit FILE [--model FILE]          settings for a controller, and what is lost
./gale fit FILE --models DIR            which of several controllers does it best
./gale points --set 21 --width 0.8 …    what a leaflet’s set point and differential mean
./gale sums [WORDS…]                    single calculations: list, show NAME, run NAME key=value…
./gale card FILE                        the whole setting as text
./gale rehearse FILE --inputs CSV       what the fan would have done`

async function main([name = '', ...args]: readonly string[]): Promise<number> {
  switch (name) {
    case 'start':
      return (await import('./start')).start(args)
    case 'stop':
      return (await import('./stop')).stop()
    case 'backup':
      return (await import('./backup')).backup(args)
    case 'restore':
      return (await import('./backup')).restore(args)
    case 'test':
      return (await import('./test')).test(args)
    case 'shots':
      return (await import('./shots')).shots()
    case '':
    case 'help':
    case '--help':
      console.log(USAGE)
      return name === '' ? 2 : 0
    default:
      // The core's commands take files as the caller names them.
      process.chdir(process.env.GALE_CALLED_FROM ?? '.')
      return run(name, args, { out: (line) => console.log(line), err: (line) => console.error(line) })
  }
}

/** A command of the core; those of papers take their time. */
async function run(name: string, args: readonly string[], streams: Streams): Promise<number> {
  if (!isForPapers(name, args)) return runCommand([name, ...args], streams)
  try {
    return await papers(name, args, streams)
  } catch (error) {
    if (!(error instanceof UsageError)) throw error
    streams.err(error.message)
    return 2
  }
}

// Who reads only the first lines (| head) closes the pipe: that is no fault.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(0)
  throw error
})

try {
  process.exitCode = await main(process.argv.slice(2))
} catch (error) {
  if (!(error instanceof Trouble)) throw error
  console.error(`gale: ${error.message}`)
  process.exitCode = 1
}
