import { OUTPUT_STATE } from '@/core/machine/outputState'
import { isUpward } from '@/core/machine/past'
import { beyond, letStand, resting, seenCheck, settleS, stateAfter } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { brought, inputOf, leavesOf, measuredOf, roleIn, type ProveContext } from '@/core/prove/context'
import { fastMoment } from '@/core/prove/fast'
import type { Stage, Values } from '@/core/prove/stage'
import { says, type WaySays } from '@/core/prove/words'
import type { Condition, OtherOutput } from '@/core/response/schema'

/** What brings a condition about and what takes it back, and what is said of both. */
type Brought = { readonly values: Values; readonly back: Values; readonly says: WaySays }

function bringAbout(context: ProveContext, condition: Condition, base: Values): Brought | null {
  switch (condition.kind) {
    case 'input': {
      const { input, when, at, release } = condition
      const way = isUpward(when) ? 1 : -1
      const onX = beyond(context, input, at, way)
      const offX = beyond(context, input, at - way * release, -way as 1 | -1)
      const found = inputOf(context, input)
      if (found && roleIn(context, found) === 'body') return null
      const isBack = !measuredOf(context, input)?.combines && way * ((base[input] ?? NaN) - offX) <= 0
      return {
        values: letStand(context, condition, base),
        back: isBack ? base : brought(context, base, input, offX),
        says: { kind: 'bring', input, onX, offX, isBack },
      }
    }
    case 'between': {
      const { input, from, to } = condition
      const offX = beyond(context, input, from, -1)
      return {
        values: letStand(context, condition, base),
        back: brought(context, base, input, offX),
        says: { kind: 'bring', input, onX: (from + to) / 2, offX, isBack: false },
      }
    }
    case 'difference': {
      const { input, minus, when, by, release } = condition
      const way = isUpward(when) ? 1 : -1
      const other = base[minus] ?? 0
      const onX = beyond(context, input, other + by, way)
      const offX = beyond(context, input, other + by - way * release, -way as 1 | -1)
      return {
        values: brought(context, base, input, onX),
        back: brought(context, base, input, offX),
        says: { kind: 'bring', input, onX, offX, isBack: false },
      }
    }
    case 'switch': {
      const { input, is } = condition
      const off = is === 'on' ? 0 : 1
      return {
        values: letStand(context, condition, base),
        back: { ...base, [input]: off },
        says: { kind: 'switch', input, is, isBack: base[input] === off },
      }
    }
    case 'speed': {
      const { fan, atPct, when } = condition
      const fast = fastMoment(context)
      const isUp = isUpward(when)
      return {
        values: isUp ? fast.values : base,
        back: isUp ? base : fast.values,
        says: { kind: 'speed', fan, isUp, atPct, fast: fast.says },
      }
    }
    case 'lost': {
      const inputs = leavesOf(context, condition.input).map(({ id }) => id)
      if (context.installation.kit.probes.some(({ input, builtIn }) => builtIn && inputs.includes(input))) return null
      return {
        values: { ...base, ...Object.fromEntries(inputs.map((id) => [id, NaN])) },
        back: base,
        says: { kind: 'lost', inputs },
      }
    }
    // Nobody waits for an hour of the week or for dry air, or heats a controller, to prove a lamp.
    case 'clock':
    case 'season':
    case 'drier':
    case 'overheated':
      return null
  }
}

const isOnAfter = (context: ProveContext, output: OtherOutput, stages: readonly Stage[]): boolean => {
  const held = context.machine.otherOutputs.find(({ output: { id } }) => id === output.id)
  return held?.isOn(stateAfter(context, stages).memory) ?? false
}

type Freed = { readonly values: Values; readonly first: readonly WaySays[] }

/** A moment in which nothing bars an output, and what is done first to bring it about. */
const freed = (context: ProveContext, { notWhile }: OtherOutput): Freed =>
  notWhile.reduce<Freed>(
    ({ values, first }, bar) => {
      const way = bringAbout(context, bar, values)
      return way ? { values: way.back, first: [...first, way.says] } : { values, first }
    },
    { values: context.rest, first: [] },
  )

/** Each other output on and back again, and what bars it. */
export const outputChecks = (context: ProveContext): Check[] =>
  (context.response.otherOutputs ?? []).flatMap((output) => checksOf(context, output))

function checksOf(context: ProveContext, output: OtherOutput): Check[] {
  const [off, on] = OUTPUT_STATE[output.kind]
  const waitS = Math.max(15, output.delayS + settleS(context))
  const look = { kind: 'output', id: output.id } as const
  const bases: Freed[] = [{ values: context.rest, first: [] }, freed(context, output)]
  const reach = (condition: Condition) => {
    for (const { values, first } of bases) {
      const way = bringAbout(context, condition, values)
      const stages = way && [resting(way.back), { values: way.values, forS: waitS }]
      if (stages && isOnAfter(context, output, stages)) return { ...way, stages, first }
    }
    return null
  }
  const passages = output.onWhen.flatMap((condition, index): Check[] => {
    const way = reach(condition)
    if (!way) return []
    const stages = [...way.stages, { values: way.back, forS: waitS }]
    const words = says('output-on', {
      output: output.name,
      way: way.says,
      first: way.first,
      isAlarm: output.kind === 'alarm',
      on,
      off,
      delayS: output.delayS,
      goesOff: !isOnAfter(context, output, stages),
    })
    return [seenCheck({ id: `${output.id}-on-${index + 1}`, says: words, waitS }, look, stages)]
  })
  const cause = output.onWhen.map(reach).find((way) => way !== null)
  const bars = output.notWhile.flatMap((bar, index): Check[] => {
    const barred = cause && bringAbout(context, bar, cause.values)
    if (!cause || !barred) return []
    const stages = [...cause.stages, { values: barred.values, forS: waitS }]
    if (isOnAfter(context, output, stages)) return []
    const facts = { output: output.name, cause: cause.says, bar: barred.says, first: cause.first, on, off }
    return [
      seenCheck({ id: `${output.id}-barred-${index + 1}`, says: says('output-barred', facts), waitS }, look, stages),
    ]
  })
  return [...passages, ...bars]
}
