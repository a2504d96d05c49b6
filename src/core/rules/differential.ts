import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Id, Percent, Seconds } from '@/core/json/vocabulary'
import { raise } from '@/core/rules/block'
import { common } from '@/core/rules/common'
import { setPoints } from '@/core/rules/weekSpan'
import { exact } from '@/core/rules/exact'
import { inputQuantity, isMeasured } from '@/core/rules/input'
import { text, type RuleKind, ONE_SPEED, PLAIN, type OfferContext } from '@/core/rules/kind'
import { setPointActions, setPointParts } from '@/core/rules/sentence'
import { ROOM_TEMP } from '@/core/rules/usualInputs'

/** On/off with both its points given. Cooling: on at or above `onAt`, off at or below `offAt`; heating mirrored. */
export const Differential = Type.Object(
  {
    ...common,
    kind: about('on and off at two points', Type.Literal('differential')),
    input: about('the input it reads', Id),
    action: about(
      '`cooling`: on as the input rises; `heating`: on as it falls',
      Type.Union([Type.Literal('direct'), Type.Literal('reverse')]),
    ),
    onAt: about('where it comes on, in the base unit of the input; the point itself counts', Type.Number()),
    offAt: about('where it goes off; the point itself counts', Type.Number()),
    speedPct: about('speed while it is on, percent', Percent),
    minOnS: about('least time on, seconds', Seconds),
    minOffS: about('least time off, seconds', Seconds),
    ...setPoints,
  },
  closed,
)
export type Differential = Static<typeof Differential>

/** Both points, turned round for heating so that rising always switches on. */
type Points = { readonly sign: number; readonly on: number; readonly off: number }

export function differentialPoints({ action, onAt, offAt }: Pick<Differential, 'action' | 'onAt' | 'offAt'>): Points {
  const sign = action === 'direct' ? 1 : -1
  return { sign, on: sign * onAt, off: sign * offAt }
}

/** Whether a differential is on at `x`, given whether it was. Equality switches; between its points the last state stays. Where both
 *  points are one it is on past it and off before it, and holds exactly at it. Source: docs/control-laws.md; cases `ctl.onOff`. */
export function isDifferentialOn({ sign, on, off }: Points, x: number, wasOn: boolean): boolean {
  // Comparisons with a lost reading are false: it goes off.
  const past = sign * x
  if (on === off) return past > on || (past === on && wasOn)
  return past >= on || (wasOn && past > off)
}

/** Two kelvin apart, off on the side from which it came. */
const onOff =
  (id: string, action: Differential['action'], usualC: number) =>
  ({ figure: figureC, ceilingPct, ensure }: OfferContext): Differential => ({
    id,
    kind: 'differential',
    input: ensure(ROOM_TEMP),
    action,
    onAt: figureC ?? usualC,
    offAt: (figureC ?? usualC) + (action === 'direct' ? -2 : 2),
    speedPct: ceilingPct,
    minOnS: 0,
    minOffS: 0,
  })

type Why =
  | { readonly kind: 'differential-on' | 'differential-off'; readonly x: number; readonly edge: number }
  /** A least time keeps it as it is. */
  | { readonly kind: 'differential-held'; readonly on: boolean; readonly leftS: number }

export const differentialKind: RuleKind<Differential, Why> = {
  ...PLAIN,
  ...ONE_SPEED,

  check({ input: inputId, action, onAt, offAt }, { response, path }) {
    const input = response.inputs.find(({ id }) => id === inputId)
    const name = input?.name ?? inputId
    const isUpsideDown = action === 'direct' ? offAt > onAt : offAt < onAt
    return [
      ...(input && !isMeasured(input)
        ? [
            {
              code: 'wrong_kind' as const,
              path: `${path}.input`,
              what: `“${name}”`,
              got: input.kind,
              needs: 'measured input',
            },
          ]
        : []),
      ...(isUpsideDown
        ? [
            {
              code: 'off_side' as const,
              path: `${path}.offAt`,
              action,
              name,
              onAt,
              offAt,
            },
          ]
        : []),
    ]
  },
  compile(written, { memory: plan, inputIndex }) {
    const rule = { ...written, onAt: exact(written.onAt), offAt: exact(written.offAt) }
    const at = inputIndex(rule.input)
    const { speedPct, minOnS, minOffS } = rule
    const points = differentialPoints(rule)
    const figures = { speed: speedPct, leastOnS: minOnS, leastOffS: minOffS }
    const isOn = plan.slot(0, 'latches')
    // At power-up it has been off for as long as anyone could ask.
    const forS = plan.slot(minOffS, 'latches')
    return {
      ask(block, memory, asksPct, ruleIndex) {
        const { dtS } = block
        const { speed, leastOnS, leastOffS } = figures
        const xs = block.inputs[at]!
        let on = memory[isOn] === 1
        let standsS = memory[forS]!
        for (let row = block.start; row < block.end; row++) {
          standsS += dtS[row]!
          const wants = isDifferentialOn(points, xs[row]!, on)
          if (wants !== on && standsS >= (on ? leastOnS : leastOffS)) {
            on = wants
            standsS = 0
          }
          if (on) raise(block, row, speed, ruleIndex)
        }
        memory[isOn] = on ? 1 : 0
        memory[forS] = standsS
        asksPct[ruleIndex] = on ? speedPct : NaN
      },
      why(inputs, memory) {
        const x = inputs[at]!
        if (Number.isNaN(x)) return { kind: 'input-lost' }
        const on = memory[isOn] === 1
        const leftS = (on ? minOnS : minOffS) - memory[forS]!
        if (leftS > 0 && isDifferentialOn(points, x, on) !== on) return { kind: 'differential-held', on, leftS }
        return on ? { kind: 'differential-on', x, edge: rule.offAt } : { kind: 'differential-off', x, edge: rule.onAt }
      },
      settle(inputs, memory) {
        memory[isOn] = isDifferentialOn(points, inputs[at]!, false) ? 1 : 0
        memory[forS] = Math.max(minOnS, minOffS)
      },
    }
  },
  sentence(rule, { input }) {
    const name = input?.name ?? rule.input
    const quantity = inputQuantity(input)
    return [
      text('When '),
      { kind: 'input', name },
      text(rule.action === 'direct' ? ' reaches ' : ' falls to '),
      { kind: 'field', path: 'onAt', label: `${name}, on at`, quantity, value: rule.onAt },
      text(', run '),
      { kind: 'field', path: 'speedPct', label: `speed while ${name} asks`, quantity: 'speed', value: rule.speedPct },
      text(rule.action === 'direct' ? ', until it falls to ' : ', until it reaches '),
      { kind: 'field', path: 'offAt', label: `${name}, off at`, quantity, value: rule.offAt },
      ...(rule.minOnS > 0 || rule.minOffS > 0
        ? ([
            text('; on for at least '),
            { kind: 'field', path: 'minOnS', label: 'least time on', quantity: 'time', value: rule.minOnS },
            text(', off for at least '),
            { kind: 'field', path: 'minOffS', label: 'least time off', quantity: 'time', value: rule.minOffS },
          ] as const)
        : []),
      ...setPointParts(rule.setPoints, quantity, 'comes on'),
      text('.'),
    ]
  },
  cause: (input) => (input && isMeasured(input) ? input.kind : 'temperature'),
  name: (input) => `${input} on/off`,
  trigger: 'threshold',
  memories: () => ['latches'],
  title: 'on/off point',
  trade: ({ onAt, offAt, action }, { difference }) =>
    `differential ${difference(Math.abs(onAt - offAt))}, ${action === 'direct' ? 'direct' : 'reverse'} action`,
  formula: 'on at or past one point, off at or past the other, between them as it was',
  whyText(why, { name, point, time }) {
    if (why.kind === 'differential-held')
      return why.on
        ? `${name} says off, and it stays on for ${time(why.leftS)} more`
        : `${name} says on, and it stays off for ${time(why.leftS)} more`
    return why.kind === 'differential-on'
      ? `${name} is ${point(why.x)} and on until ${point(why.edge)}`
      : `${name} is ${point(why.x)} and comes on at ${point(why.edge)}`
  },
  more(rule) {
    const holds = rule.minOnS > 0 || rule.minOffS > 0
    return [
      {
        label: holds ? 'No least times' : 'Add least times on and off',
        change: (draft) => void (draft.minOnS = draft.minOffS = holds ? 0 : 180),
      },
      ...setPointActions(rule, rule.onAt),
    ]
  },
  offers: [
    {
      sentence: 'When room temperature reaches a point, run at a set speed until it falls to another',
      words: 'on off differential two-speed hysteresis thermostat cool',
      figure: { quantity: 'temperature', typedUnit: '°C' },
      make: onOff('onOff', 'direct', 26),
    },
    {
      sentence: 'When room temperature falls to a point, run at a set speed until it is warm again',
      words: 'heating on off differential cold thermostat curtain',
      figure: { quantity: 'temperature', typedUnit: '°C' },
      make: onOff('cold', 'reverse', 18),
    },
  ],
  points: ({ onAt, offAt, setPoints: moved = [] }) => [onAt, offAt, ...moved.map(({ at }) => at)],
  widths: ({ onAt, offAt }) => [Math.abs(onAt - offAt)],
  movedBy: (rule, by) => ({ ...rule, onAt: rule.onAt + by, offAt: rule.offAt + by }),
  asksWhenLow: ({ action }) => action === 'reverse',
  spans: ({ setPoints: moved = [] }) => moved,
}
