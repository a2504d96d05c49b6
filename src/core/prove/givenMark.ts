import { canonicalJson } from '@/core/json/canonical'
import type { Response } from '@/core/response/schema'
import { withoutRemarks } from '@/core/sentences/change'
import { responseAs1 } from '@/core/upgrade/response'

/** FNV-1a of 32 bits as eight hexadecimal digits; not a secret, only a name. */
export function fnv1a(text: string): string {
  let hash = 0x811c9dc5
  for (const char of text) hash = Math.imul(hash ^ char.charCodeAt(0), 0x01000193) >>> 0
  return hash.toString(16).padStart(8, '0')
}

/** A short mark of all that is given: a remark changes nothing. Made of the names of version 1, so that results of that time still speak of it. */
export const givenMark = (given: Response): string => fnv1a(canonicalJson(responseAs1(withoutRemarks(given))))
