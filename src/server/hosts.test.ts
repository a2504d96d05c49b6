import { isKnownHost, isOwnOrigin } from '@/server/hosts'

test.each([
  ['127.0.0.1:4180', true],
  ['localhost:4180', true],
  ['[::1]:4180', true],
  ['LOCALHOST', true],
  ['evil.example', false],
  ['evil.example:4180', false],
  ['127.0.0.1.evil.example', false],
  ['localhost@evil.example', false],
  ['localhost/evil', false],
  ['', false],
  [null, false],
])('host %p is known: %p', (host, known) => expect(isKnownHost(host, {})).toBe(known))

test('its own address and the configured names', () => {
  const env = { GALE_URL: 'https://fans.example:8443', GALE_HOSTS: 'yard.example, box.local:4180' }
  for (const host of ['fans.example:8443', 'yard.example', 'box.local']) expect(isKnownHost(host, env)).toBe(true)
  expect(isKnownHost('other.example', env)).toBe(false)
  expect(isKnownHost('localhost', { GALE_URL: 'not an address' })).toBe(true)
})

test.each([
  [{ host: 'localhost:4180', origin: 'http://localhost:4180' }, true],
  [{ host: 'localhost:4180', origin: 'http://evil.example' }, false],
  [{ host: 'localhost:4180', origin: 'null' }, false],
  [{ host: 'localhost:4180', origin: 'http://localhost:9999' }, false],
  [{ host: 'localhost:4180', 'sec-fetch-site': 'cross-site' }, false],
  [{ host: 'localhost:4180', 'sec-fetch-site': 'same-origin' }, true],
  [{ host: 'localhost:4180' }, true],
])('%j is our own page: %p', (headers, own) =>
  expect(isOwnOrigin(new Headers(headers as Record<string, string>))).toBe(own),
)
