import { Type, type Static } from '@sinclair/typebox'
import { clamp } from '@/core/json/clamp'
import { about, closed, Id, Percent, Seconds } from '@/core/json/vocabulary'
import { raise, runDown } from '@/core/rules/block'
import { common } from '@/core/rules/common'
import { text, type RuleKind, type SentencePart, ONE_SPEED, PLAIN } from '@/core/rules/kind'

export const Overrun = Type.Union([
  Type.Object({ kind: about('what happens when the switch goes off', Type.Literal('none')) }, closed),
  Type.Object(
    {
      kind: about('what happens when the switch goes off', Type.Literal('fixed')),
      holdS: about('how long it runs on, seconds', Seconds),
    },
    closed,
  ),
  Type.Object(
    {
      kind: about('what happens when the switch goes off', Type.Literal('matched')),
      factor: about('time it runs on for each second on, 0.1 to 10', Type.Number({ minimum: 0.1, maximum: 10 })),
      floorS: about('at least so long, seconds', Seconds),
      capS: about('at most so long, seconds', Seconds),
    },
    closed,
  ),
])
export type Overrun = Static<typeof Overrun>

export const SwitchRule = Type.Object(
  {
    ...common,
    kind: about('a speed while a switch is on', Type.Literal('switch')),
    input: about('the switch it reads', Id),
    speedPct: about('its speed, percent', Percent),
    onDelayS: about('how long the switch must be on first, seconds', Seconds),
    overrun: about('what happens when it goes off', Overrun),
  },
  closed,
)
export type SwitchRule = Static<typeof SwitchRule>

/** How long it runs on (s) after the switch was on for `onForS`, with `leftS` unspent from the time before.
 *  Matched times add up to the cap; a fixed time starts anew. Cases: reference-values `ctl.overrun`, `ctl.overrunSequence`. */
function overrunS(overrun: Overrun, onForS: number, leftS: number): number {
  if (overrun.kind === 'none') return 0
  if (overrun.kind === 'fixed') return overrun.holdS
  return clamp(leftS + overrun.factor * onForS, Math.min(overrun.floorS, overrun.capS), overrun.capS)
}

/** What a newly chosen overrun starts from; common practice, no source: 15 minutes. */
const OVERRUN_STARTS: Record<Overrun['kind'], Overrun> = {
  none: { kind: 'none' },
  fixed: { kind: 'fixed', holdS: 900 },
  matched: { kind: 'matched', factor: 1, floorS: 0, capS: 900 },
}

function overrunWords(overrun: Overrun): SentencePart[] {
  const choice: SentencePart = {
    kind: 'choice',
    path: 'overrun',
    label: 'afterwards',
    puts: OVERRUN_STARTS,
    value: overrun.kind,
    options: [
      ['none', 'stop at once'],
      ['fixed', 'keep going for a set time'],
      ['matched', 'keep going as long as it was on'],
    ],
  }
  const field = (path: string, label: string, value: number): SentencePart => ({
    kind: 'field',
    path,
    label,
    quantity: 'time',
    value,
  })
  if (overrun.kind === 'none') return [choice]
  if (overrun.kind === 'fixed') return [choice, text(', '), field('overrun.holdS', 'overrun', overrun.holdS)]
  return [
    choice,
    text(', at least '),
    field('overrun.floorS', 'least overrun', overrun.floorS),
    text(' and at most '),
    field('overrun.capS', 'longest overrun', overrun.capS),
  ]
}

type Why =
  | { readonly kind: 'switch-waiting' | 'switch-overrun'; readonly leftS: number }
  | { readonly kind: 'switch-on' | 'switch-idle' }

export const switchKind: RuleKind<SwitchRule, Why> = {
  ...PLAIN,
  ...ONE_SPEED,

  check({ input: inputId, overrun }, { response, path }) {
    const input = response.inputs.find(({ id }) => id === inputId)
    return [
      ...(input && input.kind !== 'switch'
        ? [
            {
              code: 'wrong_kind' as const,
              path: `${path}.input`,
              what: `“${input.name}”`,
              got: input.kind,
              needs: 'switch or contact',
            },
          ]
        : []),
      ...(overrun.kind === 'matched' && overrun.floorS > overrun.capS
        ? [
            {
              code: 'order' as const,
              path: `${path}.overrun`,
              low: 'The least overrun',
              lowValue: overrun.floorS,
              high: 'the longest',
              highValue: overrun.capS,
              unit: 's',
            },
          ]
        : []),
    ]
  },
  compile({ input, speedPct, onDelayS, overrun }, { memory: plan, inputIndex }) {
    const at = inputIndex(input)
    const wasOn = plan.slot(0, 'timers')
    const onForS = plan.slot(0, 'timers')
    const leftS = plan.slot(0, 'timers')
    const figures = { speed: speedPct, delay: onDelayS }
    return {
      ask(block, memory, asksPct, rule) {
        const { dtS } = block
        const { speed, delay } = figures
        const xs = block.inputs[at]!
        let was = memory[wasOn] === 1
        let onFor = memory[onForS]!
        let left = memory[leftS]!
        let asks = false
        for (let row = block.start; row < block.end; row++) {
          const isOn = xs[row]! >= 0.5
          // Nothing happens most of the time.
          if (!isOn && !was && left === 0) {
            asks = false
            continue
          }
          const hadStarted = was && onFor >= delay
          if (was) onFor += dtS[row]!
          // What is left of an overrun stands still while the switch holds the fan, and runs down otherwise.
          if (!hadStarted) left = runDown(left, dtS[row]!)
          if (!isOn && was && onFor >= delay) left = overrunS(overrun, onFor, left)
          if (!isOn || !was) onFor = 0
          was = isOn
          asks = (isOn && onFor >= delay) || left > 0
          if (asks) raise(block, row, speed, rule)
        }
        memory[wasOn] = was ? 1 : 0
        memory[onForS] = onFor
        memory[leftS] = left
        asksPct[rule] = asks ? speed : NaN
      },
      why(_inputs, memory) {
        if (memory[wasOn] === 1 && memory[onForS]! >= onDelayS) return { kind: 'switch-on' }
        if (memory[leftS]! > 0) return { kind: 'switch-overrun', leftS: memory[leftS]! }
        return memory[wasOn] === 1
          ? { kind: 'switch-waiting', leftS: onDelayS - memory[onForS]! }
          : { kind: 'switch-idle' }
      },
      settle(inputs, memory) {
        memory[wasOn] = inputs[at]! >= 0.5 ? 1 : 0
        memory[onForS] = memory[wasOn] === 1 ? onDelayS : 0
        memory[leftS] = 0
      },
    }
  },
  sentence(rule, { input }) {
    const name = input?.name ?? rule.input
    return [
      text('When '),
      { kind: 'input', name },
      text(' is on'),
      ...(rule.onDelayS > 0
        ? [
            text(' for '),
            { kind: 'field', path: 'onDelayS', label: 'on-delay', quantity: 'time', value: rule.onDelayS } as const,
          ]
        : []),
      text(', run '),
      { kind: 'field', path: 'speedPct', label: `speed while ${name} is on`, quantity: 'speed', value: rule.speedPct },
      text('; afterwards '),
      ...overrunWords(rule.overrun),
      text('.'),
    ]
  },
  cause: () => 'switch',
  name: (input) => input,
  trigger: 'contact',
  memories: ({ overrun }) => (overrun.kind === 'none' ? [] : ['timers']),
  title: 'contact',
  trade: ({ overrun }, { time }) =>
    overrun.kind === 'none'
      ? 'run input'
      : overrun.kind === 'fixed'
        ? `run input, run-on ${time(overrun.holdS)}`
        : 'run input, matched run-on',
  formula:
    'its speed while on (after its delay), then for its overrun; matched: the time it was on, within floor and cap',
  whyText(why, { name, time }) {
    switch (why.kind) {
      case 'switch-waiting':
        return `${name} is on, waiting ${time(why.leftS)} more`
      case 'switch-on':
        return `${name} is on`
      case 'switch-overrun':
        return `${name} is off and runs on for ${time(why.leftS)} more`
      case 'switch-idle':
        return `${name} is off`
    }
  },
  more: ({ onDelayS }) => [
    {
      label: onDelayS > 0 ? 'Answer at once' : 'Wait before it answers',
      change: (draft) => void (draft.onDelayS = onDelayS > 0 ? 0 : 60),
    },
  ],
  offers: [
    {
      sentence: 'When a switch is on, run at a set speed, and run on afterwards',
      words: 'boost switch overrun contact button',
      figure: { quantity: 'time', typedUnit: 'min' },
      make: ({ figure: figureS, ceilingPct, added }) => ({
        id: 'boost',
        kind: 'switch',
        input: added({ id: 'boost', kind: 'switch', name: 'boost switch' }),
        speedPct: ceilingPct,
        onDelayS: 0,
        overrun: { kind: 'fixed', holdS: figureS ?? 900 },
      }),
    },
  ],
}
