import { Type, type Static } from '@sinclair/typebox'
import type { Problem } from '@/core/json/problem'
import { about, closed, Id, Percent } from '@/core/json/vocabulary'
import { raise } from '@/core/rules/block'
import { common } from '@/core/rules/common'
import { setPoints } from '@/core/rules/weekSpan'
import { inputQuantity, isMeasured, type MeasuredInput } from '@/core/rules/input'
import { text, type RuleKind, type RuleOffer, type SentencePart, type Surroundings, PLAIN } from '@/core/rules/kind'
import { setPointActions, setPointParts } from '@/core/rules/sentence'
import { HUMIDITY, ROOM_TEMP, SIGNAL } from '@/core/rules/usualInputs'

/** Speed in proportion to an input. `startAt` and `fullAt` are in the input's base unit (°C, %RH, Pa); a falling ramp has `fullAt` below `startAt`. */
export const Ramp = Type.Object(
  {
    ...common,
    kind: about('speed in proportion to an input', Type.Literal('ramp')),
    input: about('the input it reads', Id),
    startAt: about('where it begins, in the base unit of the input', Type.Number()),
    fullAt: about('where it is full; below the start for a ramp that rises as the input falls', Type.Number()),
    fromPct: about('speed at the start, percent', Percent),
    toPct: about('speed at full, percent', Percent),
    below: about(
      'what it asks before its start: the first speed, or nothing',
      Type.Union([Type.Literal('from'), Type.Literal('nothing')]),
    ),
    ...setPoints,
  },
  closed,
)
export type Ramp = Static<typeof Ramp>

/** Share of the way from `startAt` to `fullAt`, not clamped: 0 exactly at the start, 1 exactly at full, rising or falling. */
const rampShare = (x: number, startAt: number, fullAt: number): number => (x - startAt) / (fullAt - startAt)

/** A controller that rescales brings the end of a ramp that is above the ceiling down to it: 10→100 under 80 becomes 10→80 over the same
 *  band, and 20→80 stays as it is. One that clips cuts the top off. */
function underCeiling(ramp: Ramp, { ceiling }: Surroundings): Ramp {
  if (ceiling.how === 'clip') return ramp
  const { speedPct } = ceiling
  return { ...ramp, fromPct: Math.min(ramp.fromPct, speedPct), toPct: Math.min(ramp.toPct, speedPct) }
}

const beforeStart = (below: Ramp['below']): SentencePart[] => [
  text('; before that '),
  {
    kind: 'choice',
    path: 'below',
    label: 'before the start',
    value: below,
    options: [
      ['from', 'hold the first speed'],
      ['nothing', 'ask for nothing'],
    ],
  },
]

const climbing = (
  id: string,
  made: MeasuredInput,
  startAt: number,
  span: number,
  words: string,
  typedUnit: string,
): RuleOffer<Ramp> => ({
  sentence: `As ${made.name} climbs, run faster`,
  words,
  figure: { quantity: made.kind, typedUnit },
  make: ({ figure, floorPct, ceilingPct, ensure }) => ({
    id,
    kind: 'ramp',
    input: ensure(made),
    startAt: figure ?? startAt,
    fullAt: (figure ?? startAt) + span,
    fromPct: floorPct,
    toPct: ceilingPct,
    below: 'from',
  }),
})

type Why =
  | { readonly kind: 'ramp-below' | 'ramp-above'; readonly x: number; readonly edge: number }
  | {
      readonly kind: 'ramp-within'
      readonly x: number
      readonly up: number
      readonly span: number
      readonly fromPct: number
      readonly toPct: number
    }

/** Source: definition, docs/control-laws.md; cases in reference-values `ctl.ramp`. */
/** A main controller asks by volts: from `startV`, which stands for `fromPct`, to 10 V; below it asks for nothing. Of 2–10 V a cut lead is told
 *  from a low signal. Both readings of 2–10 V are common practice, no source. */
const following = (sentence: string, startV: number, fromPct: number): RuleOffer<Ramp> => ({
  sentence,
  words: 'volts signal main controller request follow building management 0-10 2-10',
  make: ({ ensure }) => ({
    id: 'signal',
    kind: 'ramp',
    input: ensure(startV > 0 && fromPct === 0 ? { ...SIGNAL, lostBelow: 1 } : SIGNAL),
    startAt: startV,
    fullAt: 10,
    fromPct,
    toPct: 100,
    below: 'nothing',
  }),
})

export const rampKind: RuleKind<Ramp, Why> = {
  ...PLAIN,

  check(ramp, { response, path }) {
    const input = response.inputs.find(({ id }) => id === ramp.input)
    const problems: Problem[] = []
    if (input?.kind === 'switch')
      problems.push({
        code: 'wrong_kind',
        path: `${path}.input`,
        what: `“${input.name}”`,
        got: 'switch',
        needs: 'measured input',
      })
    if (ramp.startAt === ramp.fullAt)
      problems.push({
        code: 'empty_band',
        path: `${path}.fullAt`,
        what: `The ramp on ${input?.name ?? ramp.input}`,
        at: ramp.startAt,
      })
    return problems
  },
  compile(written, { response, inputIndex }) {
    const ramp = underCeiling(written, response)
    const at = inputIndex(ramp.input)
    const { startAt, fullAt, fromPct, toPct } = ramp
    // A falling ramp is a rising one of the input turned round.
    const turned = fullAt > startAt ? 1 : -1
    const figures = {
      sign: turned,
      start: turned * startAt,
      full: turned * fullAt,
      from: fromPct,
      to: toPct,
      slope: (toPct - fromPct) / (turned * (fullAt - startAt)),
      below: ramp.below === 'from' ? fromPct : NaN,
    }
    return {
      ask(block, _memory, asksPct, rule) {
        // It keeps nothing, so what it would ask in another mode is nothing.
        if ((block.askingModes & block.modesSeen) === 0) return
        const xs = block.inputs[at]!
        const { sign, start, full, from, to, slope, below } = figures
        let pct = NaN
        for (let row = block.start; row < block.end; row++) {
          const x = sign * xs[row]!
          pct = x >= full ? to : x >= start ? from + (x - start) * slope : x < start ? below : NaN
          raise(block, row, pct, rule)
        }
        asksPct[rule] = pct
      },
      why(inputs) {
        const x = inputs[at]!
        const share = rampShare(x, startAt, fullAt)
        if (Number.isNaN(share)) return { kind: 'input-lost' }
        if (share < 0) return { kind: 'ramp-below', x, edge: startAt }
        if (share >= 1) return { kind: 'ramp-above', x, edge: fullAt }
        return { kind: 'ramp-within', x, up: x - startAt, span: fullAt - startAt, fromPct, toPct }
      },
      settle() {},
    }
  },
  sentence(ramp, { input, response }) {
    const quantity = inputQuantity(input)
    const name = input?.name ?? ramp.input
    return [
      text('As '),
      { kind: 'input', name },
      text(ramp.fullAt >= ramp.startAt ? ' climbs from ' : ' falls from '),
      { kind: 'field', path: 'startAt', label: `${name}, start`, quantity, value: ramp.startAt },
      text(' to '),
      { kind: 'field', path: 'fullAt', label: `${name}, full`, quantity, value: ramp.fullAt },
      text(', run '),
      { kind: 'field', path: 'fromPct', label: 'speed at the start', quantity: 'speed', value: ramp.fromPct },
      text(' → '),
      { kind: 'field', path: 'toPct', label: 'speed at full', quantity: 'speed', value: ramp.toPct },
      // At or under the floor it makes no difference what the ramp asks before its start: the floor asks as much.
      ...(ramp.fromPct > response.floor.speedPct ? beforeStart(ramp.below) : []),
      ...setPointParts(ramp.setPoints, quantity, 'starts'),
      text('.'),
    ]
  },
  cause: (input) => (input && isMeasured(input) ? input.kind : 'temperature'),
  name: (input) => `${input} ramp`,
  trigger: 'level',
  title: 'ramp',
  trade: ({ startAt, fullAt }, { difference }) => `proportional band ${difference(Math.abs(fullAt - startAt))}`,
  formula: 'from + (to − from) × (x − start) ÷ (full − start), held between both',
  whyText(why, { name, point, difference }) {
    switch (why.kind) {
      case 'ramp-below':
        return `${name} is ${point(why.x)}, before its start at ${point(why.edge)}`
      case 'ramp-above':
        return `${name} is ${point(why.x)}, at or past full at ${point(why.edge)}`
      case 'ramp-within':
        return `${name} is ${difference(Math.abs(why.up))} ${why.span > 0 ? 'up' : 'down'} a ${difference(Math.abs(why.span))} ramp`
    }
  },
  more: (rule) => setPointActions(rule, rule.startAt),
  offers: [
    climbing('roomTemp', ROOM_TEMP, 22, 5, 'temp ramp heat hot', '°C'),
    climbing('humidity', HUMIDITY, 65, 15, 'hum damp ramp moisture', '%RH'),
    following('Follow the 0–10 V signal of a main controller', 0, 0),
    following('Follow a 2–10 V signal of a main controller: 2 V is nothing, 10 V all', 2, 0),
    following('Follow a 0–10 V signal of a main controller, off below 2 V', 2, 20),
  ],
  speeds: ({ fromPct, toPct }) => [
    { which: null, pct: fromPct },
    { which: 'full', pct: toPct },
  ],
  withSpeeds: (rule, move) => ({ ...rule, fromPct: move(rule.fromPct), toPct: move(rule.toPct) }),
  points: ({ startAt, fullAt, setPoints: moved = [] }) => [startAt, fullAt, ...moved.map(({ at }) => at)],
  widths: ({ startAt, fullAt }) => [Math.abs(fullAt - startAt)],
  movedBy: (rule, by) => ({ ...rule, startAt: rule.startAt + by, fullAt: rule.fullAt + by }),
  asksWhenLow: ({ startAt, fullAt }) => fullAt < startAt,
  spans: ({ setPoints: moved = [] }) => moved,
}
