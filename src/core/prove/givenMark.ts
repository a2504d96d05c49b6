import { canonicalJson } from '@/core/json/canonical'
import type { Response } from '@/core/response/schema'
import { bare } from '@/core/sentences/change'

/** A short mark of what was to be proved: when the given response changes, earlier results no longer speak of it; a remark changes nothing.
 *  FNV-1a over the canonical text; not a secret, only a name. */
export function givenMark(given: Response): string {
  let hash = 0x811c9dc5
  for (const char of canonicalJson(bare(given))) hash = Math.imul(hash ^ char.charCodeAt(0), 0x01000193) >>> 0
  return hash.toString(16).padStart(8, '0')
}
