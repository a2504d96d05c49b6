import { changedEach, withKeys, type Held, type Names } from '@/core/upgrade/rename'
import { PARTS } from '@/core/upgrade/response'

const KEYS: Names = new Map([['said', 'text']])
const CODES: Names = new Map([
  ['in-rest-band-', 'in-skip-band-'],
  ['cool-down-too-short', 'heater-purge-too-short'],
])

/** A judgement by its present code and path: `in-rest-band-response.restBands.0`. */
function judgementFrom1(judgement: string): string {
  const code = [...CODES].find(([former]) => judgement.startsWith(former))
  const named = code ? code[1] + judgement.slice(code[0].length) : judgement
  return named.replace(/\bresponse\.([A-Za-z]+)/, (path, part: string) =>
    PARTS.has(part) ? `response.${PARTS.get(part)!}` : path,
  )
}

/** A kit from version 1 to 2: its controller is one of version 2. */
export const kitFrom1 = (kit: Held): Held => ({ ...kit, schema: 'soft-gale/kit@2' })

/** From version 1 to 2: its kit and its response are of version 2, and a judgement that was left has `text`. */
export const installationFrom1 = (installation: Held): Held => ({
  ...changedEach(installation, 'dismissed', (held) => {
    const named = withKeys(held, KEYS)
    return typeof named.judgement === 'string' ? { ...named, judgement: judgementFrom1(named.judgement) } : named
  }),
  schema: 'soft-gale/installation@2',
})
