const FIRST = ['schema', 'id', 'kind', 'name']

const rank = (key: string): string => {
  const first = FIRST.indexOf(key)
  return `${first < 0 ? FIRST.length : first}${key}`
}

function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered)
  if (value === null || typeof value !== 'object') return value
  const entries = Object.entries(value as Record<string, unknown>).filter(([, held]) => held !== undefined)
  return Object.fromEntries(
    entries.sort(([a], [b]) => (rank(a) < rank(b) ? -1 : 1)).map(([key, held]) => [key, ordered(held)]),
  )
}

/** JSON in one order of keys, two spaces, a newline at the end: the same document is the same bytes, whatever stored it. */
export const canonicalJson = (value: unknown): string => `${JSON.stringify(ordered(value), null, 2)}\n`
