import { readFileSync } from 'node:fs'
import { createServer, type RequestListener } from 'node:http'
import { createServer as createSecureServer } from 'node:https'
import next from 'next'
import { pino } from 'pino'
import { readProxies } from '@/server/address'
import { front } from '@/server/front/front'
import { scrubOutput } from '@/server/front/scrub'
import { countAnswer } from '@/server/metrics'

// The web process: Next.js behind our front, over HTTP on loopback or TLS. Started and watched by `./gale start`; holds no state, so that several of
// them may serve one database.

scrubOutput()
const { PORT = '4180', GALE_HOST: host = '127.0.0.1', GALE_TLS_CERT: cert, GALE_TLS_KEY: key } = process.env
const log = pino(
  { level: process.env.GALE_LOG ?? 'warn', base: null, redact: ['req.headers', 'headers', '*.token', '*.password'] },
  pino.destination(2),
)

const app = next({ dev: false, dir: process.cwd(), hostname: host, port: Number(PORT) })
await app.prepare()
const handle = app.getRequestHandler()
const isSecure = cert !== undefined && key !== undefined
const answer = front((request, response) => handle(request, response), {
  proxies: readProxies(process.env.GALE_PROXIES ?? ''),
  isSecure: isSecure || (process.env.GALE_URL ?? '').startsWith('https:'),
  hasOwnFiles: process.env.GALE_TLS_OWN === '1',
  onAnswered: (line) => {
    if (line.path !== '/api/live') countAnswer(line.status, line.ms)
    if (line.status >= 500) log.warn(line)
    else log.info(line)
  },
})
const listener: RequestListener = (request, response) => {
  Promise.resolve(answer(request, response)).catch((error: unknown) => {
    log.error(error)
    if (!response.headersSent) response.writeHead(500)
    response.end()
  })
}

const server = isSecure
  ? createSecureServer({ cert: readFileSync(cert), key: readFileSync(key) }, listener)
  : createServer(listener)
// Who sends a head or a body drop by drop holds a connection, not the server.
server.headersTimeout = 20_000
server.requestTimeout = 10 * 60_000
server.listen(Number(PORT), host)
// Over TLS, the supervisor asks over plain HTTP, on loopback only.
const local = isSecure ? createServer(listener).listen(Number(process.env.GALE_LOCAL_PORT), '127.0.0.1') : null

let isStopping = false
const stop = () => {
  if (isStopping) return
  isStopping = true
  // What is in hand is answered; streams are cut, and their pages come again.
  server.close(() => process.exit(0))
  server.closeIdleConnections()
  local?.close()
  setTimeout(() => server.closeAllConnections(), 3000).unref()
  setTimeout(() => process.exit(0), 8000).unref()
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
// Whoever started it is gone without a word: nothing serves on.
process.on('disconnect', stop)
