import { oneOf } from '@/testing/seeded'

/** What stands in no place of a document, or in few. */
const WRONG: readonly unknown[] = [
  null,
  true,
  'two words',
  '',
  -1e9,
  1e12,
  0.5,
  [],
  {},
  [null],
  { kind: 'nothing of ours' },
]

/** The document with one place, wherever it lies, put to something else, taken away, or with a stranger beside it. */
export function broken(data: unknown, random: () => number): unknown {
  if (typeof data !== 'object' || data === null || random() < 0.15) return oneOf(random, WRONG)
  if (Array.isArray(data)) {
    const at = Math.floor(random() * data.length)
    return data.length === 0
      ? [null]
      : data.map((item, index) => (index === at ? broken(item, random) : (item as unknown)))
  }
  const key = oneOf(random, Object.keys(data))
  if (random() < 0.1) return { ...data, stranger: 1 }
  if (random() < 0.1) return Object.fromEntries(Object.entries(data).filter(([other]) => other !== key))
  return { ...data, [key]: broken((data as Record<string, unknown>)[key], random) }
}
