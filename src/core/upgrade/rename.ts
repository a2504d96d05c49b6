export type Held = Readonly<Record<string, unknown>>

/** Names, each with the one that stands for it elsewhere. */
export type Names = ReadonlyMap<string, string>

export const isHeld = (value: unknown): value is Held =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** The same names read from the other end. */
export const turned = (names: Names): Names => new Map(Array.from(names, ([one, other]) => [other, one]))

/** A word by its other name; anything else as it is. */
export const renamed = (word: unknown, names: Names): unknown =>
  typeof word === 'string' ? (names.get(word) ?? word) : word

/** A dotted path whose first key may have another name. */
export const renamedPath = (path: string, names: Names): string => {
  const [first = '', ...rest] = path.split('.')
  return [names.get(first) ?? first, ...rest].join('.')
}

/** An object with other names of its keys. */
export const withKeys = (held: Held, names: Names): Held =>
  Object.fromEntries(Object.entries(held).map(([key, value]) => [names.get(key) ?? key, value]))

/** The object with what stands under a key changed; as it is where nothing of that shape stands there. */
export const changed = (held: Held, key: string, change: (inside: Held) => Held): Held =>
  isHeld(held[key]) ? { ...held, [key]: change(held[key]) } : held

/** The object with each object of a list changed. */
export const changedEach = (held: Held, key: string, change: (item: Held) => Held): Held =>
  Array.isArray(held[key])
    ? { ...held, [key]: held[key].map((item: unknown) => (isHeld(item) ? change(item) : item)) }
    : held
