import { isIP } from 'node:net'
import { existsSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { readProxies } from '@/server/address'
import { Trouble } from './trouble'

/** How and to whom `./gale start` serves. */
export type Serving = {
  readonly wants: 'as-it-is' | 'fresh-demo' | 'empty'
  readonly host: string
  /** The address people open; null: loopback, with the port that is free. */
  readonly url: URL | null
  readonly port: number
  /** Files that were given; `made`: by an authority of our own; null: no TLS here. */
  readonly tls: { readonly cert: string; readonly key: string } | 'made' | null
}

const PORT = 4180

const isLoopback = (name: string): boolean => ['127.0.0.1', 'localhost', '::1', '[::1]'].includes(name)

/** Reads what `start` was told.
 *  @throws Trouble with what to say instead */
export function readServing(args: readonly string[], env: Readonly<Record<string, string | undefined>>): Serving {
  const { values } = parsed(args)
  const port = numberOf(env.GALE_PORT)
  const host = values.host ?? '127.0.0.1'
  if (!isLoopback(host) && isIP(host) === 0)
    throw new Trouble(`--host ${host}: name the address of this machine to listen on, such as 0.0.0.0 for all of them.`)
  const url = urlOf(values.url)
  try {
    readProxies(env.GALE_PROXIES ?? '')
  } catch (error) {
    throw new Trouble(error instanceof Error ? error.message : String(error))
  }
  const { 'tls-cert': cert, 'tls-key': key } = values
  if ((cert === undefined) !== (key === undefined)) throw new Trouble('--tls-cert and --tls-key go together.')
  for (const file of [cert, key])
    if (file !== undefined && !existsSync(file)) throw new Trouble(`There is no file ${file}.`)
  if (!isLoopback(host) && url?.protocol !== 'https:')
    throw new Trouble(
      'Passwords do not go over a network in the clear: with --host, give the address people will open as --url https://…',
    )
  const wants = values['fresh-demo'] ? 'fresh-demo' : values.empty ? 'empty' : 'as-it-is'
  const tls = cert !== undefined && key !== undefined ? { cert, key } : isLoopback(host) ? null : 'made'
  return { wants, host, url, port: url && url.port !== '' && !isLoopback(host) ? Number(url.port) : port, tls }
}

function parsed(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      options: {
        'fresh-demo': { type: 'boolean' },
        empty: { type: 'boolean' },
        host: { type: 'string' },
        url: { type: 'string' },
        'tls-cert': { type: 'string' },
        'tls-key': { type: 'string' },
      },
    })
  } catch (error) {
    const message = error instanceof Error ? error.message.split('. ')[0] : ''
    throw new Trouble(
      `${message}. start takes --fresh-demo or --empty, and --host ADDRESS --url https://NAME[:PORT] [--tls-cert FILE --tls-key FILE].`,
    )
  }
}

function numberOf(text: string | undefined): number {
  const port = Number(text ?? PORT)
  if (Number.isInteger(port) && port > 0 && port < 65_536) return port
  throw new Trouble(`GALE_PORT is “${text ?? ''}”; it is a whole number from 1 to 65535.`)
}

function urlOf(text: string | undefined): URL | null {
  if (text === undefined) return null
  const url = URL.canParse(text) ? new URL(text) : null
  if (url && /^https?:$/.test(url.protocol) && url.pathname === '/' && url.search === '') return url
  throw new Trouble(`--url ${text}: give the address people open, such as https://gale.lan:4180`)
}
