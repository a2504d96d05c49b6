import { roleOf } from '@/core/duty/role'
import type { Installation } from '@/core/installation/installation'
import type { Machine } from '@/core/machine/compile'
import { isPast } from '@/core/machine/past'
import { pointsOn } from '@/core/machine/pointsOn'
import { quietInputs } from '@/core/machine/quietInputs'
import { asksPct } from '@/core/prove/play'
import type { Values } from '@/core/prove/stage'
import { inputHalf } from '@/core/prove/uncertainty'
import type { Response } from '@/core/response/schema'
import { datesOf } from '@/core/response/dates'
import { weekSpans } from '@/core/response/weekSpans'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'
import { pulsesOf } from '@/core/rules/table'

/** Where such an input mostly is while nobody wants anything; common practice, no source. */
const USUAL: Partial<Record<string, number>> = {
  outdoor: 10,
  supply: 15,
  body: 30,
  flue: 20,
  shell: 20,
  coil: 20,
  component: 25,
}

function usual(
  input: MeasuredInput,
  { brief, response }: Pick<Installation, 'brief'> & { response: Response },
): number {
  const target = brief.targets.find(({ quantity }) => quantity === input.kind)
  const at =
    USUAL[roleOf(input, { brief, response })] ??
    (target ? (target.bandFrom + target.bandTo) / 2 : (input.from + input.to) / 2)
  return Math.min(input.to, Math.max(input.from, at))
}

const SHARES = [0, 0.5, 1] as const

/** What keeps a moment from being at rest: everything that asks, reduces, holds or is on. */
function unrest(machine: Machine, inputs: Float64Array): number {
  const { response } = machine
  const state = machine.settledState(inputs)
  const floorPct = response.stages ? 0 : response.floor.speedPct
  const asks = asksPct(machine, state).reduce((sum, pct) => sum + (pct > floorPct ? 10 : pct > 0 ? 1 : 0), 0)
  const sensed = machine.senses ? state.sensed : inputs
  const reduces = (response.reductions ?? []).filter(({ input, when, at }) =>
    isPast(when, sensed[machine.inputIds.indexOf(input)]!, at),
  ).length
  const outputs = machine.otherOutputs.filter(({ isOn }) => isOn(state.memory)).length
  // What a cycle gives comes and goes.
  const active = machine.rules[state.inCharge]
  const runs = active && pulsesOf(active) ? 0 : state.fansPct.reduce((sum, pct) => sum + pct, 0)
  return asks * 100 + reduces * 300 + outputs * 20 + runs
}

/** Places of the clock at which the week may ask for nothing: a few minutes before and after each of its periods. */
function clocks(response: Response): number[] {
  const minutes = weekSpans(response).flatMap(({ days, startMin, endMin }) =>
    days.slice(0, 2).flatMap((day) => [day * 1440 + startMin - 5, day * 1440 + startMin + 5, day * 1440 + endMin + 5]),
  )
  return [...new Set([USUAL_MINUTE, ...minutes].map((minute) => ((minute + 10080) % 10080) * 60))]
}

const USUAL_MINUTE = 10 * 60

/** A moment at which as little as possible asks, found by trying: each input by turns at its usual reading and at places of its range, the
 *  clock outside the periods of the week. It is as quiet within the error of each probe. Among equally quiet ones the most usual is taken.
 *  @param toInputs what the controller’s terminals see of a moment */
export function quietMoment(
  machine: Machine,
  installation: Installation,
  toInputs: (values: Values) => Float64Array,
): Values {
  const { response } = machine
  const where = { brief: installation.brief, response }
  const quietest = (values: Values, ids: readonly string[], places: readonly Place[]): Values => {
    let best: Values = values
    let least = Infinity
    for (const { x, off } of places) {
      const at = (y: number): Values => ({ ...values, ...Object.fromEntries(ids.map((id) => [id, y])) })
      const cost = Math.max(...(off > 0 ? [x - off, x, x + off] : [x]).map((y) => unrest(machine, toInputs(at(y)))))
      // The first of equals stays: the most usual stands first.
      if (cost < least - 1e-9) [best, least] = [at(x), cost]
    }
    return best
  }
  const dates = datesOf(response)
  let values: Values = {
    ...quietInputs(response),
    clock: USUAL_MINUTE * 60,
    ...(dates.length > 0 ? { date: dates[0]! } : {}),
  }
  const groups = readTogether(response)
  for (let sweep = 0; sweep < 2; sweep++) {
    for (const group of groups)
      values = quietest(
        values,
        group.map(({ id }) => id),
        placesOf(group),
      )
    values = quietest(
      values,
      ['clock'],
      clocks(response).map((x) => ({ x, off: 0 })),
    )
    if (dates.length > 0)
      values = quietest(
        values,
        ['date'],
        dates.map((x) => ({ x, off: 0 })),
      )
  }
  return values

  function placesOf(group: readonly MeasuredInput[]): Place[] {
    const [input] = group
    if (!input) return []
    const at = usual(input, where)
    const half = (x: number) => inputHalf(installation, input, x)
    const beside = pointsOn(response, input.id).flatMap((point) =>
      [-1, 1].map((way) => Number((point + way * (2 * half(point) + 0.5)).toFixed(1))),
    )
    const ends = SHARES.map((share) => input.from + (input.to - input.from) * share)
    return [at, ...beside, ...ends]
      .filter((x) => x >= input.from && x <= input.to)
      .sort((a, b) => Math.abs(a - at) - Math.abs(b - at))
      .map((x) => ({ x, off: half(x) }))
  }
}

type Place = { readonly x: number; readonly off: number }

/** Probes that are read as one stand at one reading; every other by itself. */
function readTogether({ inputs }: Response): MeasuredInput[][] {
  const measured = inputs.filter(isMeasured)
  const groups = measured.flatMap(({ combines }) =>
    combines && combines.how !== 'difference'
      ? [measured.filter(({ id, combines: of }) => !of && combines.of.includes(id))]
      : [],
  )
  const grouped = new Set(groups.flat())
  return [...groups, ...measured.filter((input) => !input.combines && !grouped.has(input)).map((input) => [input])]
}
