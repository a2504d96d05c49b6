import { isIP } from 'node:net'

type Environment = Readonly<Record<string, string | undefined>>

/** The address people open. */
export const ownUrl = (env: Environment = process.env): string =>
  env.GALE_URL ?? `http://127.0.0.1:${env.PORT ?? '4180'}`

/** Whether other machines can reach this server. */
export const isReachable = (env: Environment = process.env): boolean => {
  const host = env.GALE_HOST ?? '127.0.0.1'
  const name = URL.canParse(ownUrl(env)) ? new URL(ownUrl(env)).hostname : ''
  const isLoopback = (word: string) => ['127.0.0.1', 'localhost', '[::1]', '::1'].includes(word)
  return !isLoopback(host) || !isLoopback(name)
}

/** Passkeys need a name: a browser makes none for a bare address. */
export const hasName = (env: Environment = process.env): boolean =>
  URL.canParse(ownUrl(env)) && isIP(new URL(ownUrl(env)).hostname.replace(/[[\]]/g, '')) === 0

/** One click into the demo: where it is loaded, unless a setting turns it off, and never where other machines can reach the server. */
export const isDemoOffered = (env: Environment = process.env): boolean =>
  env.GALE_DEMO === '1' && env.GALE_DEMO_SIGN_IN !== 'off' && !isReachable(env)

/** Whether letters are only written into files, for want of a mail server. */
export const isMailStandIn = (env: Environment = process.env): boolean => !env.GALE_SMTP_URL

/** The page that shows what the mail stand-in wrote: only for the machine itself. */
export const areLettersShown = (env: Environment = process.env): boolean =>
  isMailStandIn(env) && !isReachable(env) && env.GALE_LETTERS !== 'off'

/** The certificate of this server’s own authority, where it has one; see `tools/tls`. */
export const authorityFile = (folder = process.env.GALE_DATA_DIR ?? ''): string => `${folder}/authority/authority.crt`
