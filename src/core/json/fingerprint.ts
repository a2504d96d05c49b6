import { canonicalJson } from '@/core/json/canonical'

/** SHA-256 (FIPS 180-4) of the canonical text of a document, in hexadecimal: the bytes as they are stored, in their own version. */
export async function fingerprintOf(document: unknown): Promise<string> {
  const bytes = new TextEncoder().encode(canonicalJson(document))
  const digest = await globalThis.crypto.subtle.digest('SHA-256', bytes)
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('')
}

const SHOWN = 16

/** What of a fingerprint is printed and read aloud: its first sixteen signs in fours. */
export const shortFingerprint = (fingerprint: string): string =>
  (fingerprint.slice(0, SHOWN).match(/.{1,4}/g) ?? []).join(' ')
