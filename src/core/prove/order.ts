import { settleS } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { inputOf, type ProveContext } from '@/core/prove/context'
import type { Values } from '@/core/prove/stage'
import { isMeasured } from '@/core/rules/input'

/** Checks that are done at one place, or in one state of the room, one after the other. */
export type CheckGroup = {
  readonly key: string
  readonly name: string
  readonly checks: readonly Check[]
}

/** Nobody stands beside a check that takes this long (seconds), and twice as long as the fan takes to settle: something else is done meanwhile.
 *  Common practice, no source. */
const LONG_WAIT_S = 240
const isLong = (context: ProveContext, { waitS }: Check): boolean =>
  waitS >= Math.max(LONG_WAIT_S, 2 * settleS(context))

const isByPerson = (check: Check): boolean => check.kind === 'seen' && check.look.kind === 'person'
const cutsPower = ({ stages }: Check): boolean => stages.some(({ power }) => power === false)
const isOther = (a: number | undefined, b: number | undefined): boolean =>
  a !== b && !(Number.isNaN(a ?? 0) && Number.isNaN(b ?? 0))

/** Inputs that a check brings away from rest, in the order of the response. */
function broughtIn({ response, rest }: ProveContext, { stages }: Check): string[] {
  const differs = (id: string) => stages.some(({ values }: { values: Values }) => isOther(values[id], rest[id]))
  return response.inputs.filter(({ id }) => differs(id)).map(({ id }) => id)
}

/** The highest that an input is brought to: a room is warmed once, upward, and a lead pulled off at the end. */
function highest({ stages }: Check, input: string): number {
  const read = stages.map(({ values }) => values[input] ?? -Infinity)
  return read.some((x) => Number.isNaN(x)) ? Infinity : Math.max(...read)
}

/** It is done at another hour or date than the others, or by day or by night. */
const hasItsHour = ({ rest }: ProveContext, { stages, atClock, atDate, inMode }: Check): boolean =>
  atClock !== undefined ||
  atDate !== undefined ||
  inMode !== undefined ||
  stages.some(({ values }) => isOther(values.clock, rest.clock) || isOther(values.date, rest.date))

type Place = { readonly rank: number; readonly key: string; readonly name: string; readonly within: number }

function placeOf(context: ProveContext, check: Check): Place {
  const inputs = broughtIn(context, check)
  const measured = inputs.filter((id) => {
    const input = inputOf(context, id)
    return input !== undefined && isMeasured(input) && input.kind !== 'light'
  })
  const place = (rank: number, key: string, name: string, within = 0): Place => ({ rank, key, name, within })
  if (check.id === 'read-back') return place(9, 'power', 'Power off, and last', 1)
  if (cutsPower(check)) return place(9, 'power', 'Power off, and last')
  if (isByPerson(check)) return place(8, 'person', 'By eye and hand')
  if (hasItsHour(context, check)) return place(7, 'hour', 'At its hour')
  if (check.kind === 'time' || isLong(context, check)) return place(6, 'wait', 'Waiting, longest first', -check.waitS)
  const [first] = measured
  if (first !== undefined) {
    const name = inputOf(context, first)?.name ?? first
    return place(
      2 + context.response.inputs.findIndex(({ id }) => id === first) / 100,
      first,
      `With ${name} brought`,
      highest(check, first),
    )
  }
  return inputs.length > 0
    ? place(1, 'contacts', 'At switches and contacts')
    : place(0, 'rest', 'At rest, nobody woken')
}

/** The checks in the order that costs least time: at rest, at switches, each probe brought once and upward, then long waits, what a person
 *  looks at, and the power cut last. Within a group they stay in the order of the rules. Common practice, no source. */
export function inGroups(context: ProveContext, plan: readonly Check[]): CheckGroup[] {
  const placed = plan
    .map((check) => ({ check, place: placeOf(context, check) }))
    .sort((a, b) => a.place.rank - b.place.rank || a.place.within - b.place.within)
  const groups = new Map<string, { key: string; name: string; checks: Check[] }>()
  for (const { check, place } of placed) {
    const group = groups.get(place.key) ?? { key: place.key, name: place.name, checks: [] }
    group.checks.push(check)
    groups.set(place.key, group)
  }
  return [...groups.values()]
}

/** Whether a check can be done while another waits. What a person looks at mostly wants the fan at some speed, or the supply away (spillage, the
 *  backup, an alarm): only reading the settings back leaves everything as it runs. */
export const mayRunBeside = ({ id }: Check): boolean => id === 'read-back'
