import type { Problem } from '@/core/json/problem'

/** What no document of ours comes near: how deep it nests, how many values it holds, how long one text is. */
const DEEPEST = 64
const MOST_VALUES = 400_000

const UNPAIRED = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/
/** A NUL, or half of a pair of surrogates: text that no database stores and no font shows. */
const isUnstorable = (text: string): boolean => text.includes('\0') || UNPAIRED.test(text)

type Frame = { readonly value: unknown; readonly key: string; readonly depth: number; readonly parent: Frame | null }

const pathOf = (frame: Frame): string => {
  const keys: string[] = []
  for (let at: Frame | null = frame; at?.parent; at = at.parent) keys.push(at.key)
  return keys.reverse().join('.')
}

/** Counts through data of unknown origin before anything else looks at it, in one pass and without recursion: null where it is of a size and a
 *  depth that a document can have and every text can be stored; else the first place that is not. */
export function unreasonable(data: unknown): Problem | null {
  const open: Frame[] = [{ value: data, key: '', depth: 0, parent: null }]
  let values = 0
  for (let frame = open.pop(); frame; frame = open.pop()) {
    const { value, depth } = frame
    if (++values > MOST_VALUES) return { code: 'too_many_values', path: pathOf(frame), most: MOST_VALUES }
    if (typeof value === 'string' && isUnstorable(value)) return { code: 'unstorable', path: pathOf(frame), of: 'text' }
    if (typeof value !== 'object' || value === null) continue
    if (depth >= DEEPEST) return { code: 'too_deep', path: pathOf(frame), most: DEEPEST }
    for (const [key, inner] of Object.entries(value)) {
      if (isUnstorable(key)) return { code: 'unstorable', path: pathOf(frame), of: 'name' }
      open.push({ value: inner, key, depth: depth + 1, parent: frame })
    }
  }
  return null
}
