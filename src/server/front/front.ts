import { randomBytes } from 'node:crypto'
import type { IncomingMessage, ServerResponse } from 'node:http'
import type { BlockList } from 'node:net'
import { ADDRESS_HEADER, clientAddress } from '@/server/address'
import { NONCE_HEADER, securityHeaders } from '@/server/front/headers'
import { isKnownHost } from '@/server/hosts'

export type FrontOptions = {
  readonly proxies: BlockList
  readonly isSecure: boolean
  readonly hasOwnFiles: boolean
  /** Requests in hand at once beyond which others are asked to come again. */
  readonly mostInHand?: number
  readonly onAnswered?: (line: { method: string; path: string; status: number; ms: number; address: string }) => void
}

type Handler = (request: IncomingMessage, response: ServerResponse) => Promise<void> | void

const MOST_IN_HAND = 400
const LONGEST_ADDRESS = 4000

/** Stands before the application: says where a request came from, refuses names that are not ours, addresses that are none and what is too much, and
 *  gives every answer its headers. */
export function front(handle: Handler, options: FrontOptions): Handler {
  const { proxies, mostInHand = MOST_IN_HAND, onAnswered } = options
  let inHand = 0
  return async (request, response) => {
    const startedAt = performance.now()
    const path = pathOf(request.url)
    const peer = request.socket.remoteAddress
    const forwarded = headerOf(request, 'x-forwarded-for')
    const address = clientAddress(peer, forwarded, proxies)
    request.headers[ADDRESS_HEADER] = address
    // Who is not our proxy tells us nothing about others.
    if (address === clientAddress(peer, undefined, proxies))
      for (const name of ['x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'forwarded'])
        delete request.headers[name]
    const nonce = randomBytes(18).toString('base64')
    const headers = securityHeaders(path ?? '/', { ...options, nonce })
    // Next.js finds the mark there and puts it on its own scripts; the layout reads it for ours.
    request.headers['content-security-policy'] = headers['content-security-policy']
    request.headers[NONCE_HEADER] = nonce
    for (const [name, value] of Object.entries(headers)) response.setHeader(name, value)
    response.once('finish', () =>
      onAnswered?.({
        method: request.method ?? '',
        path: path ?? '(none)',
        status: response.statusCode,
        ms: Math.round(performance.now() - startedAt),
        address,
      }),
    )
    if (path === null) return refuse(response, 400, 'That is no address of this server. Go to /yard.')
    if (!isKnownHost(request.headers.host ?? null))
      return refuse(
        response,
        421,
        'This server is not known by that name. Open it under the address it was started with, or name yours in GALE_HOSTS.',
      )
    if (inHand >= mostInHand && !path.startsWith('/api/health')) {
      response.setHeader('retry-after', '2')
      return refuse(response, 503, 'The server has too much to do just now; nothing was lost. Try again in a moment.')
    }
    // A stream stays open for minutes and does nothing meanwhile.
    const counts = path !== '/api/live'
    if (counts) {
      inHand++
      response.once('close', () => inHand--)
    }
    await handle(request, response)
  }
}

const headerOf = (request: IncomingMessage, name: string): string | undefined => {
  const value = request.headers[name]
  return Array.isArray(value) ? value.join(',') : value
}

/** The path that was asked for; null where it is none that could be read. */
export function pathOf(url: string | undefined): string | null {
  if (!url?.startsWith('/') || url.length > LONGEST_ADDRESS || url.startsWith('//')) return null
  const [path = ''] = url.split('?')
  try {
    // A sign below the space has no business in an address.
    return [...decodeURIComponent(path)].some((sign) => sign < ' ') ? null : path
  } catch {
    return null
  }
}

function refuse(response: ServerResponse, status: number, text: string): void {
  response.writeHead(status, { 'content-type': 'text/plain; charset=utf-8', connection: 'close' })
  response.end(`${text}\n`)
}
