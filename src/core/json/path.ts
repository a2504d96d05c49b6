/** A place inside a document: dotted keys; inside a list an index, or the `id` or `fan` of one of its items. Empty for the document itself. */
export type Path = string

type Holder = Record<string, unknown>

export const joinPaths = (...places: readonly Path[]): Path => places.filter((place) => place !== '').join('.')

/** The keys of a place, one after the other. */
export const keysOf = (place: Path): readonly string[] => (place === '' ? [] : place.split('.'))

const isObject = (value: unknown): value is Holder => typeof value === 'object' && value !== null

function keyIn(holder: Holder, key: string): string {
  if (!Array.isArray(holder) || /^\d+$/.test(key)) return key
  return String(holder.findIndex((item: unknown) => isObject(item) && (item.id === key || item.fan === key)))
}

/** What stands at a place; undefined where there is nothing. */
export function valueAt(document: unknown, place: Path): unknown {
  let value = document
  for (const key of keysOf(place)) {
    if (!isObject(value)) return undefined
    value = value[keyIn(value, key)]
  }
  return value
}

function holderOf(document: unknown, place: Path): { readonly holder: Holder; readonly key: string } {
  const keys = place.split('.')
  const last = keys.pop() ?? ''
  const holder = valueAt(document, keys.join('.'))
  if (!isObject(holder)) throw new RangeError(`nothing can stand at ${place}`)
  return { holder, key: keyIn(holder, last) }
}

/** Puts a value at a place of a draft; undefined takes away what stands there. */
export function putAt(draft: unknown, place: Path, value: unknown): void {
  if (value === undefined) return dropAt(draft, place)
  const { holder, key } = holderOf(draft, place)
  holder[key] = value
}

/** Takes away what stands at a place: an item of a list leaves the list. */
export function dropAt(draft: unknown, place: Path): void {
  const { holder, key } = holderOf(draft, place)
  if (Array.isArray(holder)) holder.splice(Number(key), 1)
  else delete holder[key]
}

/** Puts an item into the list (or object) it belongs to, at its old index where the list still reaches it. */
export function insertAt(draft: unknown, place: Path, value: unknown): void {
  const keys = place.split('.')
  const last = keys.pop() ?? ''
  const parent = keys.join('.')
  if (parent !== '' && valueAt(draft, parent) === undefined) putAt(draft, parent, /^\d+$/.test(last) ? [] : {})
  const { holder } = holderOf(draft, place)
  if (!Array.isArray(holder)) holder[last] = value
  else if (/^\d+$/.test(last)) holder.splice(Math.min(Number(last), holder.length), 0, value)
  else holder.push(value)
}
