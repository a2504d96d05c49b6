import { OUTPUT_STATE } from '@/core/machine/outputState'
import { isUpward } from '@/core/machine/past'
import { beyond, resting, seenCheck, settleS, stateAfter } from '@/core/prove/build'
import type { Check, Stage, Values } from '@/core/prove/check'
import { brought, fanName, inputOf, leavesOf, measuredOf, roleIn, type ProveContext } from '@/core/prove/context'
import { fastMoment } from '@/core/prove/fast'
import { bringText, valueText, wayFor } from '@/core/prove/howTo'
import { formatPct, formatTime } from '@/core/quantity/format'
import type { Condition, OtherOutput } from '@/core/response/schema'

/** What brings a condition about, and what takes it back. */
type Brought = {
  readonly values: Values
  readonly back: Values
  readonly said: string
  /** What is said to take it back, and where to where that matters. */
  readonly backSaid: string
  readonly backTo: string
  readonly how: string
}

function bringAbout(context: ProveContext, condition: Condition, base: Values): Brought | null {
  const name = (id: string) => inputOf(context, id)?.name ?? id
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
        values: brought(context, base, input, onX),
        back: isBack ? base : brought(context, base, input, offX),
        said: `bring ${bringText(context, input, onX)}`,
        backSaid: isBack ? '' : `bring ${bringText(context, input, offX)}`,
        backTo: isBack ? '' : ` to ${valueText(context, input, offX)}`,
        how: wayFor(context, input, onX),
      }
    }
    case 'switch': {
      const is = condition.is === 'on' ? 1 : 0
      return {
        values: { ...base, [condition.input]: is },
        back: { ...base, [condition.input]: 1 - is },
        said: `turn ${name(condition.input)} ${condition.is}`,
        backSaid:
          base[condition.input] === 1 - is
            ? ''
            : `turn ${name(condition.input)} ${condition.is === 'on' ? 'off' : 'on'}`,
        backTo: '',
        how: 'At the switch or contact itself.',
      }
    }
    case 'speed': {
      const fast = fastMoment(context)
      const isUp = isUpward(condition.when)
      return {
        values: isUp ? fast.values : base,
        back: isUp ? base : fast.values,
        said: `let ${fanName(context, condition.fan)} run ${isUp ? 'up to' : 'down to'} ${formatPct(condition.atPct)} %`,
        backSaid: `let ${fanName(context, condition.fan)} run ${isUp ? 'below' : 'above'} ${formatPct(condition.atPct)} %`,
        backTo: '',
        how: fast.said === '' ? '' : `For that, ${fast.said}. ${fast.how}`.trim(),
      }
    }
    case 'lost': {
      const leaves = leavesOf(context, condition.input)
      const builtIn = context.installation.kit.probes.some(
        ({ input, builtIn: is }) => is && leaves.some(({ id }) => id === input),
      )
      if (builtIn) return null
      return {
        values: { ...base, ...Object.fromEntries(leaves.map(({ id }) => [id, NaN])) },
        back: base,
        said: `unplug ${leaves.map(({ name: leaf }) => leaf).join(' and ')}`,
        backSaid: '',
        backTo: '',
        how: 'At the terminals of the probe, or its plug.',
      }
    }
    case 'overheated':
      return null
  }
}

const isOnAfter = (context: ProveContext, output: OtherOutput, stages: readonly Stage[]): boolean => {
  const held = context.machine.otherOutputs.find(({ output: { id } }) => id === output.id)
  return held?.isOn(stateAfter(context, stages).memory) ?? false
}

/** A moment in which nothing bars an output, and what is said to bring it about. */
function freed(context: ProveContext, { notWhile }: OtherOutput): { readonly values: Values; readonly said: string } {
  return notWhile.reduce(
    ({ values, said }, bar) => {
      const way = bringAbout(context, bar, values)
      return way
        ? { values: way.back, said: way.backSaid === '' ? said : `${said} First ${way.backSaid}.` }
        : { values, said }
    },
    { values: context.rest, said: '' },
  )
}

/** Each other output on and back again, and what bars it. */
export function outputChecks(context: ProveContext): Check[] {
  return (context.response.otherOutputs ?? []).flatMap((output) => {
    const [off, on] = OUTPUT_STATE[output.kind]
    const waitS = Math.max(15, output.delayS + settleS(context))
    const look = { kind: 'output', id: output.id } as const
    const common = {
      measureWith: 'your eyes, or a tester at its terminals',
      waitS,
      ifFails: 'Its point was not kept, or it is on another terminal.',
    }
    const wait = output.delayS > 0 ? ` after ${formatTime(output.delayS)}` : ''
    const reaches = output.kind === 'alarm' ? ' See that it reaches a person, not only a lamp.' : ''
    const bases = [{ values: context.rest, said: '' }, freed(context, output)]
    const reach = (condition: Condition) => {
      for (const { values, said } of bases) {
        const way = bringAbout(context, condition, values)
        const stages = way && [resting(way.back), { values: way.values, forS: waitS }]
        if (stages && isOnAfter(context, output, stages)) return { ...way, stages, first: said }
      }
      return null
    }
    const passages = output.onWhen.flatMap((condition, index): Check[] => {
      const way = reach(condition)
      if (!way) return []
      const stages = [...way.stages, { values: way.back, forS: waitS }]
      const goesOff = !isOnAfter(context, output, stages)
      return [
        seenCheck(
          {
            ...common,
            id: `${output.id}-on-${index + 1}`,
            title: `${output.name}: ${way.said}, then back${way.backTo}.`,
            how: `${way.how}${way.first}${reaches}`,
            expect: `It is ${on}${wait}, and ${goesOff ? `${off} again on the way back` : `stays ${on}`}.`,
          },
          look,
          stages,
        ),
      ]
    })
    const cause = output.onWhen.map(reach).find((way) => way !== null)
    const bars = output.notWhile.flatMap((bar, index): Check[] => {
      const barred = cause && bringAbout(context, bar, cause.values)
      if (!cause || !barred) return []
      const stages = [...cause.stages, { values: barred.values, forS: waitS }]
      if (isOnAfter(context, output, stages)) return []
      return [
        seenCheck(
          {
            ...common,
            id: `${output.id}-barred-${index + 1}`,
            title: `${output.name}: ${cause.said}; once it is ${on}, ${barred.said}.`,
            how: `It has a reason to be on, and this bars it.${cause.first}`,
            expect: `It is ${on}, and then ${off}.`,
          },
          look,
          stages,
        ),
      ]
    })
    return [...passages, ...bars]
  })
}
