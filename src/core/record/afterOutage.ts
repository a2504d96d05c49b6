import type { Derived } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { quietInputs } from '@/core/machine/quietInputs'
import { formatPct } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { weekSpans } from '@/core/response/weekSpans'
import { MEMORIES, type Memory } from '@/core/rules/memory'
import { ruleKind } from '@/core/rules/table'

const GONE: Record<Memory, string> = {
  timers: 'An overrun or run-on that was under way is over.',
  cycle: 'The cycle begins anew.',
  mode: 'It is day until light or clock say otherwise.',
  latches: 'What was on between its two points is off until the first is reached again.',
}
const STAYS: Record<Memory, string> = {
  timers: 'An overrun or run-on goes on with the time that was left.',
  cycle: 'The cycle goes on where it was.',
  mode: 'Day or night is as it was.',
  latches: 'What was on between its two points is on again.',
}

/** Which of its memories a response uses. */
function used({ rules, finalRunOn, stages, overrides, light, otherOutputs = [] }: Response): Record<Memory, boolean> {
  const has = (memory: Memory) => rules.some((rule) => !rule.off && ruleKind(rule).memories(rule).includes(memory))
  return {
    timers: finalRunOn !== undefined || has('timers'),
    cycle: has('cycle'),
    mode: light !== undefined,
    latches: has('latches') || stages !== undefined || overrides?.overheat !== undefined || otherOutputs.length > 0,
  }
}

/** What to look at when the power has been away: what starts by itself, what is gone, what to enter again. A sentence a line. */
export function afterOutage({ kit }: Installation, { given }: Derived): string[] {
  const { response, machine } = given
  const uses = used(response)
  const restPct = machine ? machine.settledState(machine.inputsFrom(quietInputs(response))).fansPct[0] : undefined
  const settings = kit.controller?.settings ?? []
  const named = (kept: 'lost' | 'verify') =>
    settings
      .filter(({ power }) => power === kept)
      .map(({ name }) => name)
      .join(', ')
  return [
    `Stand clear: it starts again by itself${restPct === undefined || restPct <= 0 ? ' when something asks' : `; with nothing asking it settles at ${formatPct(restPct)} %`}.`,
    ...MEMORIES.flatMap((memory) =>
      uses[memory] ? [((response.keeps ?? []).includes(memory) ? STAYS : GONE)[memory]] : [],
    ),
    ...(weekSpans(response).length > 0 ? ['Compare its clock with yours: the week acts by it.'] : []),
    ...(named('lost') === '' ? [] : [`Enter again, they are lost: ${named('lost')}.`]),
    ...(named('verify') === '' ? [] : [`Read back, they may be lost: ${named('verify')}.`]),
    ...(kit.controller === null ? ['No controller is chosen: what it keeps without power is not known.'] : []),
    'See every fan turn, then read one speed that is known.',
  ]
}
