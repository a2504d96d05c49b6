import { applyEdits, findNodeAtLocation, modify, parseTree, type Node } from 'jsonc-parser'
import type { ControllerModel } from '@/core/controller/schema'
import { readControllerModel, readControllerShape } from '@/core/installation/read'
import { parseJson } from '@/core/json/parseJson'
import type { Problem } from '@/core/json/problem'
import { problemText } from '@/core/words/problems'

type Found = { readonly from: number; readonly to: number; readonly path: string; readonly wording: string }

export type Draft =
  | { readonly isGood: true; readonly model: ControllerModel; readonly found: readonly Found[] }
  /** `model` where it has the shape of one and only does not hold together. */
  | { readonly isGood: false; readonly model: ControllerModel | null; readonly found: readonly Found[] }

const place = (path: string): (string | number)[] =>
  path === '' ? [] : path.split('.').map((piece) => (/^\d+$/.test(piece) ? Number(piece) : piece))

/** The piece of text a problem is about; the nearest one round it where the very place is missing. */
function nodeOf(tree: Node | undefined, path: string): Node | undefined {
  if (!tree) return undefined
  for (let steps = place(path); ; steps = steps.slice(0, -1)) {
    const node = findNodeAtLocation(tree, steps)
    if (node || steps.length === 0) return node
  }
}

/** A model’s text as it is being written: the model once it is one, and every problem with its place in the text. */
export function readDraft(text: string): Draft {
  const json = parseJson(text)
  const read = json.ok ? readControllerModel(json.value) : json
  if (read.ok) return { isGood: true, model: read.value, found: [] }
  const tree = parseTree(text)
  const shape = json.ok ? readControllerShape(json.value) : null
  return {
    isGood: false,
    model: shape?.ok ? shape.value : null,
    found: read.problems.map((problem: Problem) => {
      const node = nodeOf(tree, problem.path)
      const from = node?.offset ?? 0
      return {
        from,
        to: Math.min(text.length, from + (node && node.length < 200 ? node.length : 1)),
        path: problem.path,
        wording: problemText(problem),
      }
    }),
  }
}

/** The text with one value put in another place of it; everything else stays as it was written. */
export const withValue = (text: string, path: readonly (string | number)[], value: unknown): string =>
  applyEdits(text, modify(text, [...path], value, { formattingOptions: { insertSpaces: true, tabSize: 2 } }))
