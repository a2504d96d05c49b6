import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Id, Percent, Seconds } from '@/core/json/vocabulary'
import { raise, runDown } from '@/core/rules/block'
import { common } from '@/core/rules/common'
import { exact } from '@/core/rules/exact'
import { inputQuantity, isMeasured } from '@/core/rules/input'
import { text, type RuleKind, ONE_SPEED, PLAIN } from '@/core/rules/kind'
import { ROOM_TEMP } from '@/core/rules/usualInputs'

/** Above `armAbove` it runs; on falling to it, it warns and runs on for `holdS`, then stops. */
export const HoldAfterFall = Type.Object(
  {
    ...common,
    kind: about('hold after a fall: runs above a threshold, and for a time after', Type.Literal('hold-after-fall')),
    input: about('the input it reads', Id),
    armAbove: about('above it it runs, in the base unit of the input', Type.Number()),
    speedPct: about('its speed, percent', Percent),
    holdS: about('how long after the fall, seconds', Seconds),
  },
  closed,
)
export type HoldAfterFall = Static<typeof HoldAfterFall>

type Why =
  | { readonly kind: 'hold-after-fall-armed' | 'hold-after-fall-idle'; readonly x: number; readonly edge: number }
  | { readonly kind: 'hold-after-fall-counting'; readonly leftS: number }

/** Armed while above a threshold; on falling to it, it keeps the speed for a time, then stops. Rising again cancels the countdown. */
export const holdAfterFallKind: RuleKind<HoldAfterFall, Why> = {
  ...PLAIN,
  ...ONE_SPEED,

  check({ input: inputId }, { response, path }) {
    const input = response.inputs.find(({ id }) => id === inputId)
    return input && !isMeasured(input)
      ? [
          {
            code: 'wrong_kind',
            path: `${path}.input`,
            what: `“${input.name}”`,
            got: input.kind,
            needs: 'measured input',
          },
        ]
      : []
  },
  compile({ input, speedPct, holdS, ...rule }, { memory: plan, inputIndex }) {
    const at = inputIndex(input)
    const armAbove = exact(rule.armAbove)
    const isArmed = plan.slot(0, 'timers')
    const leftS = plan.slot(0, 'timers')
    const figures = { above: armAbove, speed: speedPct, hold: holdS }
    return {
      ask(block, memory, asksPct, rule) {
        const { dtS } = block
        const { above, speed, hold } = figures
        const xs = block.inputs[at]!
        let armed = memory[isArmed] === 1
        let left = memory[leftS]!
        for (let row = block.start; row < block.end; row++) {
          const x = xs[row]!
          left = runDown(left, dtS[row]!)
          if (x > above) {
            armed = true
            left = 0
          } else if (armed && x <= above) {
            armed = false
            left = hold
          }
          if (armed || left > 0) raise(block, row, speed, rule)
        }
        memory[isArmed] = armed ? 1 : 0
        memory[leftS] = left
        asksPct[rule] = armed || left > 0 ? speed : NaN
      },
      why(inputs, memory) {
        const x = inputs[at]!
        if (memory[isArmed] === 1) return { kind: 'hold-after-fall-armed', x, edge: armAbove }
        return memory[leftS]! > 0
          ? { kind: 'hold-after-fall-counting', leftS: memory[leftS]! }
          : Number.isNaN(x)
            ? { kind: 'input-lost' }
            : { kind: 'hold-after-fall-idle', x, edge: armAbove }
      },
      settle(inputs, memory) {
        memory[isArmed] = inputs[at]! > armAbove ? 1 : 0
        memory[leftS] = 0
      },
    }
  },
  sentence(rule, { input }) {
    const name = input?.name ?? rule.input
    return [
      text('While '),
      { kind: 'input', name },
      text(' is above '),
      {
        kind: 'field',
        path: 'armAbove',
        label: `${name}, threshold`,
        quantity: inputQuantity(input),
        value: rule.armAbove,
      },
      text(', run '),
      {
        kind: 'field',
        path: 'speedPct',
        label: `speed above the threshold of ${name}`,
        quantity: 'speed',
        value: rule.speedPct,
      },
      text('; when it falls to it, warn, run on for '),
      { kind: 'field', path: 'holdS', label: 'run on after', quantity: 'time', value: rule.holdS },
      text(', then stop.'),
    ]
  },
  cause: (input) => (input && isMeasured(input) ? input.kind : 'temperature'),
  name: (input) => `${input} hold after a fall`,
  trigger: 'fall',
  memories: () => ['timers'],
  title: 'run after cooling',
  trade: ({ holdS }, { time }) => `hold after a fall ${time(holdS)}`,
  formula: 'its speed above the point, and for its time after falling to it',
  whyText(why, { name, point, time }) {
    switch (why.kind) {
      case 'hold-after-fall-armed':
        return `${name} is ${point(why.x)}, above ${point(why.edge)}`
      case 'hold-after-fall-counting':
        return `${name} has fallen; it stops in ${time(why.leftS)}`
      case 'hold-after-fall-idle':
        return `${name} is ${point(why.x)}, not above ${point(why.edge)}`
    }
  },
  offers: [
    {
      sentence: 'While it is hot, run; when it has cooled, run on for a time, then stop',
      words: 'after run flue stove countdown',
      figure: { quantity: 'time', typedUnit: 'min' },
      make: ({ figure: figureS, ceilingPct, ensure }) => ({
        id: 'holdAfterFall',
        kind: 'hold-after-fall',
        input: ensure(ROOM_TEMP),
        armAbove: 60,
        speedPct: ceilingPct,
        holdS: figureS ?? 2700,
      }),
    },
  ],
  points: ({ armAbove }) => [armAbove],
  movedBy: (rule, by) => ({ ...rule, armAbove: rule.armAbove + by }),
}
