import { freeId } from '@/core/json/freeId'
import { insertAt, keysOf, putAt, valueAt } from '@/core/json/path'
import { plainCopy } from '@/core/json/plainCopy'
import type { Response } from '@/core/response/schema'
import type { Line } from '@/core/sentences/table'

/** What can be taken over by itself: what every response has, and what belongs to an input, cannot. */
export const canCarry = ({ kind, behaviour, switchedOffAt }: Line): boolean =>
  !kind.isFixed &&
  behaviour !== 'lostSensor' &&
  behaviour !== 'follower' &&
  behaviour !== 'stages' &&
  switchedOffAt === null

const isList = (place: string): boolean => /^(rules|reductions|skipBands|otherOutputs)\./.test(place)

/** Every id a part speaks of, as far as it is one of these. */
function idsIn(value: unknown, known: readonly string[]): readonly string[] {
  if (typeof value === 'string') return known.includes(value) ? [value] : []
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap((held) => idsIn(held, known)) : []
}

/** Copies one sentence of a response that was adopted (its inputs already carry the names here) into this one, with the inputs it needs
 *  that are not here yet. A part there is only one of takes the place of the one that is here. */
export function carryLine(draft: Response, adopted: Response, { place }: Pick<Line, 'place'>): void {
  const value = plainCopy(valueAt(adopted, place)) as { id?: string }
  const named = idsIn(
    value,
    adopted.inputs.map(({ id }) => id),
  )
  const needed = named.flatMap((id) => [id, ...madeOf(adopted, id)])
  for (const input of adopted.inputs)
    if (needed.includes(input.id) && !draft.inputs.some(({ id }) => id === input.id))
      draft.inputs.push(plainCopy(input))
  if (!isList(place)) {
    const [first = ''] = keysOf(place)
    if (place !== first && valueAt(draft, first) === undefined) putAt(draft, first, {})
    putAt(draft, place, value)
    // A kick under the floor would be none.
    if (draft.startKick) draft.startKick.speedPct = Math.max(draft.startKick.speedPct, draft.floor.speedPct)
    return
  }
  const [list = ''] = keysOf(place)
  if (valueAt(draft, list) === undefined) putAt(draft, list, [])
  const here = valueAt(draft, list) as { id?: string }[]
  if (value.id !== undefined)
    value.id = freeId(
      here.map(({ id }) => id ?? ''),
      value.id,
    )
  insertAt(draft, `${list}.${value.id ?? here.length}`, value)
}

/** The inputs of which an input is made. */
function madeOf({ inputs }: Response, id: string): readonly string[] {
  const input = inputs.find((held) => held.id === id)
  return input && input.kind !== 'switch' ? (input.combines?.of ?? []) : []
}
