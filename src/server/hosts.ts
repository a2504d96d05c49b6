/** The names under which this server answers: those of the machine itself, that of its own address, and any that are configured. Another name that
 *  leads here was put into somebody’s name server to make a browser believe that we are its own site (DNS rebinding). */
export function isKnownHost(
  host: string | null,
  { GALE_URL, GALE_HOSTS = '' }: Readonly<Record<string, string | undefined>> = process.env,
): boolean {
  const name = nameOf(host)
  if (name === null) return false
  const own = GALE_URL && URL.canParse(GALE_URL) ? [new URL(GALE_URL).hostname] : []
  const configured = GALE_HOSTS.split(',').flatMap((word) => nameOf(word.trim()) ?? [])
  return ['127.0.0.1', 'localhost', '[::1]', ...own, ...configured].includes(name)
}

/** The name in a Host header, without its port; null where it is none. */
function nameOf(host: string | null): string | null {
  if (!host || /[\s/@?#]/.test(host)) return null
  const address = `http://${host}`
  return URL.canParse(address) ? new URL(address).hostname : null
}

/** Whether a request that changes something comes from a page of ours: browsers say so, and a program that says nothing of it is no browser. */
export function isOwnOrigin(headers: Headers): boolean {
  const origin = headers.get('origin')
  if (origin === null) return headers.get('sec-fetch-site') !== 'cross-site'
  return URL.canParse(origin) && new URL(origin).host === headers.get('host')
}
