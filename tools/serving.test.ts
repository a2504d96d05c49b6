import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { tooOld } from './backup'
import { holdLock } from './lock'
import { ensureFolder } from './place'
import { readServing } from './serving'
import { madeCertificate } from './tls'
import { output } from './run'

const folder = mkdtempSync(`${tmpdir()}/gale-serving-`)
const file = `${folder}/a-file`
writeFileSync(file, '')

test.each([
  { args: [], is: { host: '127.0.0.1', url: null, port: 4180, tls: null, wants: 'as-it-is' } },
  { args: ['--empty'], is: { wants: 'empty' } },
  { args: ['--fresh-demo'], is: { wants: 'fresh-demo' } },
  { args: ['--host', '0.0.0.0', '--url', 'https://gale.lan:4443'], is: { host: '0.0.0.0', port: 4443, tls: 'made' } },
  {
    args: ['--host', '0.0.0.0', '--url', 'https://gale.lan', '--tls-cert', file, '--tls-key', file],
    is: { tls: { cert: file, key: file } },
  },
  // Behind a proxy that speaks TLS for us.
  { args: ['--url', 'https://gale.example'], is: { host: '127.0.0.1', port: 4180, tls: null } },
])('start $args', ({ args, is }) => {
  const { url, ...serving } = readServing(args, {})
  expect({ ...serving, url: url?.origin ?? null }).toMatchObject(is)
})

test.each([
  { args: ['--nonsense'], env: {}, says: /start takes --fresh-demo or --empty/ },
  { args: ['loose'], env: {}, says: /start takes/ },
  { args: ['--host', 'gale.lan'], env: {}, says: /name the address of this machine/ },
  { args: ['--host', '0.0.0.0'], env: {}, says: /Passwords do not go over a network in the clear/ },
  { args: ['--host', '0.0.0.0', '--url', 'http://gale.lan'], env: {}, says: /in the clear/ },
  { args: ['--url', 'gale.lan'], env: {}, says: /give the address people open/ },
  { args: ['--url', 'https://gale.lan/path'], env: {}, says: /give the address people open/ },
  { args: ['--tls-cert', file], env: {}, says: /go together/ },
  { args: ['--tls-cert', '/nowhere', '--tls-key', '/nowhere'], env: {}, says: /There is no file/ },
  { args: [], env: { GALE_PORT: 'eighty' }, says: /a whole number from 1 to 65535/ },
  { args: [], env: { GALE_PORT: '0' }, says: /a whole number/ },
  { args: [], env: { GALE_PROXIES: 'proxy' }, says: /“proxy” is no address/ },
])('start $args with $env is refused in words', ({ args, env, says }) =>
  expect(() => readServing(args, env)).toThrow(says),
)

test.each([
  [file, /it is a file/],
  [`${file}/below`, /a part of it is a file/],
  [`/proc/none-such`, /cannot be used/],
])('the data folder %s is refused in words', (path, says) => expect(() => ensureFolder(path)).toThrow(says))

test('a lock is one’s own until it is let go', async () => {
  const path = `${folder}/lock`
  const mine = await holdLock(path)
  expect(mine).not.toBeNull()
  expect(await holdLock(path)).toBeNull()
  mine?.release()
  let again = await holdLock(path)
  while (again === null) again = await holdLock(path)
  again.release()
})

test('of nightly backups the last seven nights stay, and four Sundays before them', () => {
  const night = (daysAgo: number) =>
    `gale-${new Date(Date.UTC(2026, 10, 26) - daysAgo * 86_400_000).toISOString().slice(0, 10)}.dump`
  const all = Array.from({ length: 60 }, (_, daysAgo) => night(daysAgo))
  const gone = tooOld(['notes.txt', ...all])
  const kept = all.filter((name) => !gone.includes(name))
  expect(kept).toEqual([0, 1, 2, 3, 4, 5, 6, 11, 18, 25, 32].map(night))
  expect(gone).not.toContain('notes.txt')
})

test('a certificate is made for a name, vouched for by its own authority, and made once', async () => {
  const { cert } = await madeCertificate(folder, 'gale.lan')
  const told = output('openssl', ['x509', '-in', cert, '-noout', '-text'])
  expect(told).toMatch(/DNS:gale\.lan/)
  expect(output('openssl', ['verify', '-CAfile', `${folder}/authority/authority.crt`, cert])).toMatch(/OK/)
  const serial = () => output('openssl', ['x509', '-in', cert, '-noout', '-serial'])
  const first = serial()
  await madeCertificate(folder, 'gale.lan')
  expect(serial()).toBe(first)
  await madeCertificate(folder, '192.0.2.7')
  expect(output('openssl', ['x509', '-in', cert, '-noout', '-text'])).toMatch(/IP Address:192\.0\.2\.7/)
})
