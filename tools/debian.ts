import { existsSync, readdirSync } from 'node:fs'
import { passes } from './run'
import { Trouble } from './trouble'

/** Installs a Debian package when `isThere` says it is missing, and says so. */
export async function needPackage(name: string, isThere: () => boolean): Promise<void> {
  if (isThere()) return
  if (!existsSync('/usr/bin/apt-get'))
    throw new Trouble(
      `“${name}” is not installed, and this machine has no apt-get to install it with. Install ${name} by your own system's means and run this again.`,
    )
  console.error(`gale: installing Debian's ${name}…`)
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  const apt = (...args: string[]) => {
    const [command = '', ...rest] = [...sudo, 'apt-get', '-qq', ...args]
    return passes(command, rest, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    }).catch(() => false)
  }
  const installed = (await apt('update')) && (await apt('install', '-y', '--no-install-recommends', name))
  if (!installed || !isThere())
    throw new Trouble(
      `Debian's ${name} could not be installed. Run “apt-get install ${name}” as root, then this again.`,
    )
}

const POSTGRES = '/usr/lib/postgresql'

/** Folder of the newest PostgreSQL programs that Debian has put here; null when there is none. */
function postgresPrograms(): string | null {
  const versions = existsSync(POSTGRES)
    ? readdirSync(POSTGRES).filter((version) => existsSync(`${POSTGRES}/${version}/bin/initdb`))
    : []
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0]
  return newest === undefined ? null : `${POSTGRES}/${newest}/bin`
}

/** The folder of the PostgreSQL programs, installed where they are missing. */
export async function needPostgres(): Promise<string> {
  await needPackage('postgresql', () => postgresPrograms() !== null)
  const programs = postgresPrograms()
  if (!programs)
    throw new Trouble('PostgreSQL is not installed. Run “apt-get install postgresql” as root, then this again.')
  return programs
}

export const CHROMIUM = '/usr/bin/chromium-headless-shell'
/** Installs it where it is missing. */
export const needChromium = (): Promise<void> => needPackage('chromium-headless-shell', () => existsSync(CHROMIUM))
