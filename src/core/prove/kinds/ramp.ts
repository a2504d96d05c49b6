import {
  beyond,
  leadAfter,
  restFor,
  resting,
  shiftAt,
  speedCheck,
  standing,
  stateAfter,
  tells,
} from '@/core/prove/build'
import type { Check, CheckOf } from '@/core/prove/check'
import { bringsFor, brought, measuredOf, type ProveContext } from '@/core/prove/context'
import { expectStep, type SpeedExpectation } from '@/core/prove/expect'
import type { Values } from '@/core/prove/stage'
import { inputHalf } from '@/core/prove/uncertainty'
import { bring, says, type Note } from '@/core/prove/words'
import type { Ramp } from '@/core/rules/ramp'

/** A ramp at one time of the week and in one mode: what is common to its checks. */
type Course = {
  readonly ramp: Ramp
  readonly index: number
  readonly base: Values
  readonly id: string
  /** Where the speed really begins to change, and where it stops. */
  readonly start: number
  readonly full: number
  readonly way: 1 | -1
}

const PLACES = 60

/** Floor, ceiling and other rules may cover an end of a ramp: where the speed really begins to change, and where it stops. */
function edges(context: ProveContext, { input, startAt, fullAt }: Ramp, shift: number, base: Values): [number, number] {
  const xs = Array.from({ length: PLACES + 1 }, (_, place) => startAt + shift + ((fullAt - startAt) * place) / PLACES)
  const leads = xs.map((x) => leadAfter(context, [resting(brought(context, base, input, x))]))
  const differs = (from: number) => (pct: number) => Math.abs(pct - leads[from]!) > 0.25
  const [begins, ends] = [leads.findIndex(differs(0)), leads.findLastIndex(differs(PLACES))]
  if (begins < 0) return [startAt + shift, fullAt + shift]
  const rounded = (x: number) => Number(x.toFixed(2))
  return [rounded(xs[begins - 1]!), rounded(xs[ends + 1]!)]
}

const stageAt = (context: ProveContext, { base, ramp }: Course, x: number) =>
  standing(context, brought(context, base, ramp.input, x))

const isInCharge = (context: ProveContext, course: Course, x: number): boolean =>
  stateAfter(context, [resting(course.base), stageAt(context, course, x)]).inCharge === course.index

/** Reads of one or several places, each held. */
function readAt(
  context: ProveContext,
  course: Course,
  key: 'start' | 'full' | 'inside' | 'passage',
  places: readonly number[],
  compares?: true,
): CheckOf<'speed'> {
  const { base, ramp, id } = course
  const { input } = ramp
  return speedCheck(
    context,
    { id: `${id}-${key}`, says: says(`ramp-${key}`, { rule: ramp.id, input, x: places.at(-1)! }) },
    base,
    places.map((x) => ({ stage: stageAt(context, course, x), bring: bring('hold', { input, x }), brings: input })),
    compares,
  )
}

const noteOf = (kind: Note['kind'], { lowPct, highPct }: SpeedExpectation): Note => ({ kind, lowPct, highPct })

/** Two places inside the ramp, so far inside that a start or an end set wrongly by more than twice the error shows at one of them; nearer
 *  its ends where those lie too near together to tell. And why not, where nothing inside tells. */
function inside(context: ProveContext, course: Course): CheckOf<'speed'> | Note | null {
  const { ramp, start, full, way } = course
  const half = Math.max(
    ...bringsFor(context, ramp.input).map((leaf) => inputHalf(context.installation, leaf, start)),
    0,
  )
  const least = 0.15 * Math.abs(full - start)
  let band: SpeedExpectation | undefined
  for (const inset of [Math.max(least, 2.5 * half), least]) {
    const places = [start + way * inset, full - way * inset].map((x) => Number(x.toFixed(2)))
    if ((places[1]! - places[0]!) * way <= 0 || !places.every((x) => isInCharge(context, course, x))) continue
    const check = readAt(context, course, 'inside', places, true)
    band = expectStep(context, check, 0)[0]!
    if (!tells(context, check)) continue
    return band.isWide ? { ...check, note: noteOf('cancels', band) } : check
  }
  return band ? noteOf('at-ends', band) : null
}

/** Before its start, at two places inside it, past its full point; where no end tells by itself, from before the one to past the other. */
export function rampChecks(
  context: ProveContext,
  ramp: Ramp,
  index: number,
  base: Values = restFor(context, ramp),
  suffix = '',
): Check[] {
  if (!measuredOf(context, ramp.input)) return []
  const [start, full] = edges(context, ramp, shiftAt(context, index, base), base)
  const way = ramp.fullAt > ramp.startAt ? 1 : -1
  const course: Course = { ramp, index, base, id: `${ramp.id}${suffix}`, start, full, way }
  const startX = beyond(context, ramp.input, start, way === 1 ? -1 : 1)
  const fullX = beyond(context, ramp.input, full, way)
  const telling = (check: CheckOf<'speed'>) => (tells(context, check) ? [check] : [])
  const first = telling(readAt(context, course, 'start', [startX]))
  const isReached = isInCharge(context, course, fullX)
  const last = isReached ? telling(readAt(context, course, 'full', [fullX])) : []
  const whole = isReached && last.length === 0 ? telling(readAt(context, course, 'passage', [startX, fullX])) : []
  // On a ladder the joins show the span.
  const between = context.response.stages ? null : inside(context, course)
  const ends = [...last, ...whole]
  if (between === null || !('lowPct' in between)) return [...first, ...(between ? [between] : []), ...ends]
  return [...first, ...ends].map((check, place, { length }) =>
    place < length - 1 ? check : { ...check, note: between },
  )
}
