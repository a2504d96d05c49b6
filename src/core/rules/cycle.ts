import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Percent, Seconds } from '@/core/json/vocabulary'
import { formatNumber } from '@/core/quantity/format'
import { raise } from '@/core/rules/block'
import { common } from '@/core/rules/common'
import { text, type RuleKind, ONE_SPEED, PLAIN } from '@/core/rules/kind'

export const Cycle = Type.Object(
  {
    ...common,
    kind: about('a part of every period', Type.Literal('cycle')),
    onS: about('how long of each period, seconds', Seconds),
    periodS: about('the period, seconds, up to a week', Type.Number({ exclusiveMinimum: 0, maximum: 604800 })),
    speedPct: about('speed in its part, percent', Percent),
  },
  closed,
)
export type Cycle = Static<typeof Cycle>

type Why = { readonly kind: 'cycle-on' | 'cycle-off'; readonly leftS: number }

/** Runs for some seconds in every period, beginning at power-up. */
export const cycleKind: RuleKind<Cycle, Why> = {
  ...PLAIN,
  ...ONE_SPEED,

  check: ({ onS, periodS }, { path }) =>
    onS > periodS
      ? [
          {
            code: 'order',
            path: `${path}.onS`,
            low: 'The time on',
            lowValue: onS,
            high: 'its period',
            highValue: periodS,
            unit: 's',
          },
        ]
      : [],
  compile({ onS, periodS, speedPct }, { memory: plan }) {
    const phaseS = plan.slot(0, 'cycle')
    const figures = { speed: speedPct, on: onS, period: periodS }
    return {
      ask(block, memory, asksPct, rule) {
        const { dtS } = block
        const { speed, on, period } = figures
        let phase = memory[phaseS]!
        for (let row = block.start; row < block.end; row++) {
          phase += dtS[row]!
          // A remainder of doubles is slow, and most steps stay inside the period.
          if (phase >= period) phase %= period
          if (phase < on) raise(block, row, speed, rule)
        }
        memory[phaseS] = phase
        asksPct[rule] = phase < on ? speed : NaN
      },
      why: (_inputs, memory) =>
        memory[phaseS]! < onS
          ? { kind: 'cycle-on', leftS: onS - memory[phaseS]! }
          : { kind: 'cycle-off', leftS: periodS - memory[phaseS]! },
      settle(_inputs, memory) {
        memory[phaseS] = 0
      },
    }
  },
  sentence: (rule) => [
    text('Run '),
    { kind: 'field', path: 'speedPct', label: 'speed of the cycle', quantity: 'speed', value: rule.speedPct },
    text(' for '),
    { kind: 'field', path: 'onS', label: 'time on in each period', quantity: 'time', value: rule.onS },
    text(' in every '),
    { kind: 'field', path: 'periodS', label: 'period of the cycle', quantity: 'time', value: rule.periodS },
    text('.'),
  ],
  pulses: ({ onS, periodS }) => ({ onS, periodS }),
  cause: () => 'time',
  name: (input) => input,
  trigger: 'clock',
  memories: () => ['cycle'],
  title: 'cycle',
  trade: ({ onS, periodS }) => `interval timer, duty cycle ${formatNumber((onS / periodS) * 100, 0)} %`,
  formula: 'its speed for the first part of every period',
  whyText: ({ kind, leftS }, { time }) =>
    kind === 'cycle-on' ? `the cycle is on for ${time(leftS)} more` : `the cycle comes on in ${time(leftS)}`,
  offers: [
    {
      sentence: 'Run for some minutes in every hour',
      words: 'cycle timer minimum ventilation period',
      figure: { quantity: 'time', typedUnit: 'min' },
      make: ({ figure: figureS, ceilingPct }) => ({
        id: 'cycle',
        kind: 'cycle',
        onS: Math.min(figureS ?? 300, 3600),
        periodS: 3600,
        speedPct: ceilingPct,
      }),
    },
  ],
}
