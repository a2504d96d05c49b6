/** What became of two changes of one document. `conflicts`: dotted places that both changed, each in its own way; there ours stands. */
export type Merged<T> = { readonly value: T; readonly conflicts: readonly string[] }

type Json = Readonly<Record<string, unknown>>
type WithId = { readonly id: string }

const isRecord = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value)
const isListOfIds = (value: unknown): value is readonly WithId[] =>
  Array.isArray(value) &&
  value.every((item) => isRecord(item) && typeof item.id === 'string') &&
  new Set(value.map(({ id }: WithId) => id)).size === value.length

const isSame = (a: unknown, b: unknown): boolean => {
  if (a === b) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((item, at) => isSame(item, b[at]))
  if (!isRecord(a) || !isRecord(b)) return false
  const keys = new Set([...Object.keys(a), ...Object.keys(b)])
  return [...keys].every((key) => isSame(a[key], b[key]))
}

/** Two changes of one document put together, place by place: a field by its name, a member of a list by its id; a list whose members have
 *  none is one place. What only one of them changed is as they have it. */
export function merge<T>(base: T, ours: T, theirs: T): Merged<T> {
  const conflicts: string[] = []
  return { value: mergeAt(base, ours, theirs, '', conflicts) as T, conflicts }
}

const inside = (at: string, key: string): string => (at === '' ? key : `${at}.${key}`)

function mergeAt(base: unknown, ours: unknown, theirs: unknown, at: string, conflicts: string[]): unknown {
  if (isSame(ours, theirs) || isSame(base, theirs)) return ours
  if (isSame(base, ours)) return theirs
  if (isListOfIds(base) && isListOfIds(ours) && isListOfIds(theirs))
    return mergeLists(base, ours, theirs, at, conflicts)
  if (isRecord(base) && isRecord(ours) && isRecord(theirs)) return mergeRecords(base, ours, theirs, at, conflicts)
  conflicts.push(at)
  return ours
}

function mergeRecords(base: Json, ours: Json, theirs: Json, at: string, conflicts: string[]): Json {
  const keys = new Set([...Object.keys(theirs), ...Object.keys(ours)])
  return Object.fromEntries(
    [...keys].flatMap((key) => {
      const value = mergeAt(base[key], ours[key], theirs[key], inside(at, key), conflicts)
      return value === undefined ? [] : [[key, value]]
    }),
  )
}

/** Members stand as they do with the side that changed their order, ours where both did; what only the other side has is behind its
 *  neighbour from there. */
function mergeLists(
  base: readonly WithId[],
  ours: readonly WithId[],
  theirs: readonly WithId[],
  at: string,
  conflicts: string[],
): readonly WithId[] {
  const ids = (list: readonly WithId[]) => list.map(({ id }) => id)
  const find = (list: readonly WithId[], id: string) => list.find((item) => item.id === id)
  const both = ids(base).filter((id) => find(ours, id) && find(theirs, id))
  const orderOf = (list: readonly WithId[]) => ids(list).filter((id) => both.includes(id))
  const [first, second] = isSame(orderOf(ours), both) ? [theirs, ours] : [ours, theirs]
  const order = ids(first)
  for (const [index, id] of ids(second).entries()) {
    if (order.includes(id)) continue
    const before = ids(second)
      .slice(0, index)
      .findLast((candidate) => order.includes(candidate))
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id)
  }
  return order.flatMap((id) => {
    const value = mergeAt(find(base, id), find(ours, id), find(theirs, id), inside(at, id), conflicts)
    return value === undefined ? [] : [value as WithId]
  })
}
