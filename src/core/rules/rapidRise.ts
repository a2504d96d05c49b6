import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Id, Percent, Seconds } from '@/core/json/vocabulary'
import { differenceOf } from '@/core/quantity/units'
import { raise } from '@/core/rules/block'
import { common } from '@/core/rules/common'
import { exact } from '@/core/rules/exact'
import { inputQuantity, isMeasured } from '@/core/rules/input'
import { text, type RuleKind, ONE_SPEED, PLAIN } from '@/core/rules/kind'
import { HUMIDITY } from '@/core/rules/usualInputs'

/** A quick rise: by `rise` above the lowest of the last `windowS`; over within `release` of it, or after `capS`. After its cap it comes again
 *  only once it has been back, or `rearmS` later (an hour where nothing is said): a change of the weather does not silence it for ever. */
export const RapidRise = Type.Object(
  {
    ...common,
    kind: about('an answer to a quick rise', Type.Literal('rapid-rise')),
    input: about('the input it reads', Id),
    windowS: about(
      'how far back the lowest reading is looked for, seconds',
      Type.Number({ exclusiveMinimum: 0, maximum: 86400 }),
    ),
    rise: about(
      'how far above that lowest it comes on, in the unit of the input',
      Type.Number({ exclusiveMinimum: 0 }),
    ),
    release: about(
      'how near that lowest it is over, in the unit of the input; less than the rise',
      Type.Number({ minimum: 0 }),
    ),
    speedPct: about('speed meanwhile, percent', Percent),
    capS: about('longest time, seconds', Seconds),
    rearmS: about(
      'after its longest time, how long until it may come again without having been back, seconds; an hour where nothing is said',
      Type.Optional(Seconds),
    ),
  },
  closed,
)
export type RapidRise = Static<typeof RapidRise>

/** Most samples remembered. Only readings lower than all after them are kept, so a window holds far fewer than it has samples. */
const MOST = 512
/** More than the last binary digits can make: rounding is slow, and most rises are far from it. */
const NEARLY = 1e-6
/** Keeps a place inside the ring: MOST is a power of two, and this is many times quicker than a remainder of doubles. */
const RING = MOST - 1

/** Where nothing is said of it, a quick rise that ended by its cap may come again after an hour; no source. */
const REARM_S = 3600

type Why =
  | { readonly kind: 'rapid-rise-on'; readonly x: number; readonly base: number; readonly leftS: number }
  | { readonly kind: 'rapid-rise-idle'; readonly rise: number }
  | { readonly kind: 'rapid-rise-capped'; readonly edge: number; readonly leftS: number }

/** A quick rise above the lowest reading of the last while; a slow one never triggers. After its cap it waits until it has been back, or
 *  until the lowest of the last `rearmS` is a new base. A normal end forgets nothing. Cases: `ctl.surge`; trade practice in
 *  docs/control-laws.md. */
export const rapidRiseKind: RuleKind<RapidRise, Why> = {
  ...PLAIN,
  ...ONE_SPEED,

  check({ input: inputId, rise, release }, { response, path }) {
    const input = response.inputs.find(({ id }) => id === inputId)
    return [
      ...(input && !isMeasured(input)
        ? [
            {
              code: 'wrong_kind' as const,
              path: `${path}.input`,
              what: `“${input.name}”`,
              got: input.kind,
              needs: 'measured input',
            },
          ]
        : []),
      ...(release >= rise
        ? [
            {
              code: 'order' as const,
              path: `${path}.release`,
              low: 'The release',
              lowValue: release,
              high: 'the rise',
              highValue: rise,
              unit: '',
            },
          ]
        : []),
    ]
  },
  compile({ input, windowS, rise, release, speedPct, capS, rearmS = REARM_S }, { memory: plan, inputIndex }) {
    const at = inputIndex(input)
    const nowS = plan.slot(0, 'timers')
    const isOn = plan.slot(0, 'timers')
    const base = plan.slot(NaN, 'timers')
    const onForS = plan.slot(0, 'timers')
    // Seconds since it ended by its cap without having been back; negative while it may trigger.
    const cappedForS = plan.slot(-1, 'timers')
    // A queue of (time, reading), lowest first, in a ring.
    const head = plan.slot(0, 'timers')
    const count = plan.slot(0, 'timers')
    const times = plan.region(MOST, 'timers')
    const values = plan.region(MOST, 'timers')
    const figures = { speed: speedPct, rises: rise, back: release, cap: capS, rearm: rearmS, window: windowS }

    return {
      ask(block, memory, asksPct, rule) {
        const { dtS } = block
        const { speed, rises, back, cap, rearm, window } = figures
        const xs = block.inputs[at]!
        let on = memory[isOn] === 1
        let [onFor, cappedFor, backAt] = [memory[onForS]!, memory[cappedForS]!, exact(memory[base]! + back)]
        let [now, first, held] = [memory[nowS]!, memory[head]! | 0, memory[count]! | 0]
        for (let row = block.start; row < block.end; row++) {
          const x = xs[row]!
          now += dtS[row]!
          if (on) {
            onFor += dtS[row]!
            if (x <= backAt) on = false
            else if (onFor >= cap) {
              on = false
              cappedFor = 0
            }
          } else if (cappedFor >= 0) {
            cappedFor += dtS[row]!
            if (x <= backAt || cappedFor >= rearm) cappedFor = -1
          }
          if (!Number.isNaN(x)) {
            while (held > 0 && now - memory[times + (first & RING)]! > window) {
              first++
              held--
            }
            while (held > 0 && memory[values + ((first + held - 1) & RING)]! >= x) held--
            if (held === MOST) {
              // Full: the oldest goes, as if the window were a little shorter.
              first++
              held--
            }
            memory[times + ((first + held) & RING)] = now
            memory[values + ((first + held) & RING)] = x
            first &= RING
            held++
            const lowest = memory[values + first]!
            if (!on && cappedFor < 0 && x - lowest > rises - NEARLY && exact(x - lowest) >= rises) {
              on = true
              memory[base] = lowest
              backAt = exact(lowest + back)
              onFor = 0
            }
          }
          if (on) raise(block, row, speed, rule)
        }
        memory[nowS] = now
        memory[head] = first
        memory[count] = held
        memory[isOn] = on ? 1 : 0
        memory[onForS] = onFor
        memory[cappedForS] = cappedFor
        asksPct[rule] = on ? speed : NaN
      },
      why(inputs, memory) {
        const x = inputs[at]!
        if (Number.isNaN(x)) return { kind: 'input-lost' }
        if (memory[isOn] === 1) return { kind: 'rapid-rise-on', x, base: memory[base]!, leftS: capS - memory[onForS]! }
        return memory[cappedForS]! >= 0
          ? { kind: 'rapid-rise-capped', edge: memory[base]! + release, leftS: rearmS - memory[cappedForS]! }
          : { kind: 'rapid-rise-idle', rise }
      },
      settle(_inputs, memory) {
        memory[isOn] = 0
        memory[cappedForS] = -1
        memory[count] = 0
      },
    }
  },
  sentence(rule, { input }) {
    const name = input?.name ?? rule.input
    const quantity = differenceOf(inputQuantity(input))
    return [
      text('When '),
      { kind: 'input', name },
      text(' rises by '),
      { kind: 'field', path: 'rise', label: `${name}, rise`, quantity, value: rule.rise },
      text(' within '),
      { kind: 'field', path: 'windowS', label: 'window of the rise', quantity: 'time', value: rule.windowS },
      text(', run '),
      {
        kind: 'field',
        path: 'speedPct',
        label: `speed during a rapid rise of ${name}`,
        quantity: 'speed',
        value: rule.speedPct,
      },
      text(' until it is back within '),
      { kind: 'field', path: 'release', label: `${name}, release`, quantity, value: rule.release },
      text(' of where it was, at most '),
      { kind: 'field', path: 'capS', label: 'longest rapid rise', quantity: 'time', value: rule.capS },
      text('. A slow rise never triggers'),
      ...(rule.rearmS === undefined
        ? [text('.')]
        : ([
            text('; after its longest time it may come again '),
            {
              kind: 'field',
              path: 'rearmS',
              label: 'time until it may come again',
              quantity: 'time',
              value: rule.rearmS,
            },
            text(' later, or once it has been back.'),
          ] as const)),
    ]
  },
  cause: (input) => (input && isMeasured(input) ? input.kind : 'humidity'),
  name: (input) => `${input} rapid rise`,
  trigger: 'rise',
  memories: () => ['timers'],
  title: 'answer to a quick rise',
  trade: () => 'rapid rise',
  formula: 'on when x − lowest of the window ≥ rise; off when x ≤ that lowest + release, or after the cap',
  whyText(why, { name, point, difference, time }) {
    switch (why.kind) {
      case 'rapid-rise-on':
        return `${name} has risen fast to ${point(why.x)} from ${point(why.base)}, and it answers for ${time(why.leftS)} more at most`
      case 'rapid-rise-capped':
        return `${name} had its longest time, and waits until it is back at ${point(why.edge)}, or ${time(why.leftS)} more`
      case 'rapid-rise-idle':
        return `${name} has not risen by ${difference(why.rise)} quickly`
    }
  },
  offers: [
    {
      sentence: 'When humidity rises quickly, run until it is back',
      words: 'hum surge shower steam rise',
      figure: { quantity: 'humidity', typedUnit: '%RH' },
      make: ({ figure, ceilingPct, ensure }) => ({
        id: 'rapid-rise',
        kind: 'rapid-rise',
        input: ensure(HUMIDITY),
        windowS: 300,
        rise: figure ?? 8,
        release: 3,
        speedPct: ceilingPct,
        capS: 1800,
      }),
    },
  ],
  lookbackS: ({ windowS }) => windowS,
  widths: ({ rise, release }) => [Math.max(rise, release)],
}
