import { createHash } from 'node:crypto'
import { canonicalJson } from '@/core/json/canonical'
import { fingerprintOf, shortFingerprint } from '@/core/json/fingerprint'

test.each([{ a: 1 }, { b: [1, 2, { c: 'é' }], a: null }, []])(
  'the fingerprint of %j is what Node’s own hash gives',
  async (value) =>
    expect(await fingerprintOf(value)).toBe(createHash('sha256').update(canonicalJson(value)).digest('hex')),
)

test('the order in which keys were stored changes nothing, a figure does', async () => {
  expect(await fingerprintOf({ a: 1, b: 2 })).toBe(await fingerprintOf({ b: 2, a: 1 }))
  expect(await fingerprintOf({ a: 1 })).not.toBe(await fingerprintOf({ a: 1.0001 }))
})

test('its first sixteen signs are printed in fours', () =>
  expect(shortFingerprint('0123456789abcdef0123')).toBe('0123 4567 89ab cdef'))
