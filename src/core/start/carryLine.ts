import { freeId } from '@/core/json/freeId'
import { insertAt, keysOf, putAt, valueAt } from '@/core/json/path'
import { plainCopy } from '@/core/json/plainCopy'
import type { Response } from '@/core/response/schema'
import type { Line } from '@/core/sentences/table'

/** What an input is, not what is made of it. */
const OF_AN_INPUT: ReadonlySet<Line['behaviour']> = new Set(['lostSensor', 'liveZero', 'contactSense', 'refrigerant'])

/** What can be taken over by itself: what every response has, and what belongs to an input, cannot. */
export const canCarry = ({ kind, behaviour, switchedOffAt }: Line): boolean =>
  !kind.isFixed &&
  !OF_AN_INPUT.has(behaviour) &&
  behaviour !== 'follower' &&
  behaviour !== 'stages' &&
  switchedOffAt === null

const isList = (place: string): boolean => /^(rules|reductions|skipBands|otherOutputs|stepUps)\./.test(place)

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
  bringNeeded(draft, adopted, value)
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

/** What a part speaks of beside inputs: targets, seasons, days of growth, named speeds; as far as they are not here yet. */
function bringNeeded(draft: Response, adopted: Response, value: object): void {
  const { targets = [], seasons, placedOn, speeds } = adopted
  const wanted = new Set(
    idsIn(
      value,
      targets.map(({ id }) => id),
    ),
  )
  for (const { id, follows } of targets) if (wanted.has(id) && follows !== undefined) wanted.add(follows)
  const missing = targets.filter(({ id }) => wanted.has(id) && !draft.targets?.some((target) => target.id === id))
  if (missing.length > 0) draft.targets = [...(draft.targets ?? []), ...plainCopy(missing)]
  const said = [value, ...missing]
  if (
    seasons &&
    !draft.seasons &&
    idsIn(
      said,
      seasons.map(({ id }) => id),
    ).length > 0
  ) {
    draft.seasons = plainCopy(seasons)
    if (adopted.seasonNow !== undefined) draft.seasonNow = adopted.seasonNow
  }
  const goesByAge = 'rows' in value || missing.some(({ byAge }) => byAge)
  if (goesByAge && placedOn !== undefined) draft.placedOn ??= placedOn
  if ('by' in value && 'onlyWhile' in value && speeds) draft.speeds ??= plainCopy(speeds)
}

/** The inputs of which an input is made. */
function madeOf({ inputs }: Response, id: string): readonly string[] {
  const input = inputs.find((held) => held.id === id)
  return input && input.kind !== 'switch' ? (input.combines?.of ?? []) : []
}
