import { canonicalJson } from '@/core/json/canonical'
import type { Response } from '@/core/response/schema'
import { withoutRemarks } from '@/core/sentences/change'
import { responseAs1 } from '@/core/upgrade/response'

/** A short mark of what was to be proved: when the given response changes, earlier results no longer speak of it; a remark changes nothing.
 *  Made of the names of version 1, so that results of that time still speak of it. FNV-1a over the canonical text; not a secret, only a name. */
export function givenMark(given: Response): string {
  let hash = 0x811c9dc5
  for (const char of canonicalJson(responseAs1(withoutRemarks(given))))
    hash = Math.imul(hash ^ char.charCodeAt(0), 0x01000193) >>> 0
  return hash.toString(16).padStart(8, '0')
}
