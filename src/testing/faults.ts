import { compile } from '@/core/machine/compile'
import { leavesOf, measuredOf, type ProveContext } from '@/core/prove/context'
import { allowedS, inputHalf, METER_HALF_PCT } from '@/core/prove/uncertainty'
import type { Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
import type { Differential } from '@/core/rules/differential'
import type { Ramp } from '@/core/rules/ramp'
import type { SwitchRule } from '@/core/rules/switchRule'
import type { Rule } from '@/core/rules/table'
import type { Wrong } from '@/testing/provingSite'

export const FAULT_KINDS = [
  'wrong start',
  'wrong span',
  'wrong floor',
  'wrong ceiling',
  'wrong ratio',
  'wrong time',
  'reversed action',
  'stuck at one speed',
  'swapped probes',
  'unplugged probe',
  'missing overrun',
  'missing kick',
  'missing heater purge',
  'missing stage',
  'wrong convention of volts',
] as const
export type FaultKind = (typeof FAULT_KINDS)[number]
export type Fault = { readonly kind: FaultKind; readonly wording: string; readonly wrong: Wrong }

/** How many tolerances a fault is made of. */
export const TOLERANCES = 3
/** Made a little greater, so that what the output rounds takes none away. */
const MADE = 1.1 * TOLERANCES

/** How far the reading of a rule's input may lie off, at the worst of its probes. */
function halfOf(context: ProveContext, id: string, at: number): number {
  const input = measuredOf(context, id)
  if (!input) return 0
  return Math.max(...leavesOf(context, id).map((leaf) => inputHalf(context.installation, leaf, at)), 0)
}

const beyondMeter = (pct: number, stepPct: number): number => (pct > 0 ? MADE * METER_HALF_PCT + stepPct + 1 : 0)
const longer = (timeS: number): number => Math.ceil(timeS + MADE * allowedS(timeS) + 1)

/** A rule with one thing wrong in it. */
type WrongRule = readonly [kind: FaultKind, wording: string, rule: Rule]

type WrongIn<R> = (rule: R, context: ProveContext) => readonly WrongRule[]

const inRamp: WrongIn<Ramp> = (rule, context) => {
  const [atStart, atFull] = [rule.startAt, rule.fullAt].map((at) => MADE * halfOf(context, rule.input, at))
  return [
    ...[-2, -1, 1, 2].flatMap((way): WrongRule[] => [
      ['wrong start', `start ${way}`, { ...rule, startAt: rule.startAt + way * atStart! }],
      ['wrong span', `full ${way}`, { ...rule, fullAt: rule.fullAt + way * atFull! }],
    ]),
    ['reversed action', 'action', { ...rule, startAt: rule.fullAt, fullAt: rule.startAt }],
  ]
}

const inDifferential: WrongIn<Differential> = (rule, context) => {
  const by = MADE * halfOf(context, rule.input, rule.onAt)
  const out = rule.action === 'direct' ? 1 : -1
  const other = rule.action === 'direct' ? 'reverse' : 'direct'
  return [
    ['wrong start', 'on', { ...rule, onAt: rule.onAt + out * by }],
    ['wrong span', 'off', { ...rule, offAt: rule.offAt - out * by }],
    ['reversed action', 'action', { ...rule, action: other, onAt: rule.offAt, offAt: rule.onAt }],
  ]
}

const inSwitch: WrongIn<SwitchRule> = (rule) => {
  const { overrun, onDelayS } = rule
  const faults: WrongRule[] = []
  if (overrun.kind === 'fixed')
    faults.push(['wrong time', 'overrun', { ...rule, overrun: { kind: 'fixed', holdS: longer(overrun.holdS) } }])
  if (overrun.kind !== 'none') faults.push(['missing overrun', 'overrun', { ...rule, overrun: { kind: 'none' } }])
  if (onDelayS > 0) faults.push(['wrong time', 'delay', { ...rule, onDelayS: longer(onDelayS) }])
  return faults
}

const WRONG_IN: { readonly [K in Rule['kind']]: WrongIn<Extract<Rule, { kind: K }>> } = {
  ramp: inRamp,
  differential: inDifferential,
  switch: inSwitch,
  'rapid-rise': (rule) => [
    ['wrong start', 'rise', { ...rule, rise: 3 * rule.rise }],
    ['wrong time', 'cap', { ...rule, capS: longer(rule.capS) }],
  ],
  cycle: (rule) => [['wrong time', 'on-part', { ...rule, onS: longer(rule.onS) }]],
  'hold-after-fall': (rule, context) => [
    ['wrong start', 'arming', { ...rule, armAbove: rule.armAbove + MADE * halfOf(context, rule.input, rule.armAbove) }],
    ['wrong time', 'hold-after-fall', { ...rule, holdS: longer(rule.holdS) }],
    ['missing overrun', 'hold-after-fall', { ...rule, holdS: 0 }],
  ],
  'by-age': (rule) => [
    ['wrong span', 'by age', { ...rule, rows: rule.rows.map((row) => ({ ...row, speedPct: row.speedPct / 2 })) }],
  ],
  purge: (rule, context) => [
    [
      'wrong start',
      'end of the purge',
      { ...rule, untilAt: rule.untilAt - MADE * halfOf(context, rule.input, rule.untilAt) },
    ],
  ],
  week: (rule) =>
    rule.periods.map((period, index): WrongRule => [
      'wrong time',
      `period ${index}`,
      {
        ...rule,
        periods: rule.periods.map((other) =>
          other === period ? { ...other, startMin: (other.startMin + 60) % 1440 } : other,
        ),
      },
    ]),
}

/** A response with one thing wrong beside its rules. */
type WrongResponse = readonly [kind: FaultKind, wording: string, response: Response]

function inBounds(response: Response): WrongResponse[] {
  const { floor, ceiling, steps } = response
  const atFloor = beyondMeter(floor.speedPct, steps.stepPct)
  const lower = ceiling.speedPct - beyondMeter(ceiling.speedPct, steps.stepPct)
  const floors = !floor.offAllowed && floor.speedPct > 0 ? [-1, 1] : []
  return [
    ...floors.map((way): WrongResponse => {
      const speedPct = Math.max(0, floor.speedPct + way * atFloor)
      return ['wrong floor', `floor ${way}`, { ...response, floor: { ...floor, speedPct } }]
    }),
    ['wrong ceiling', 'ceiling', { ...response, ceiling: { ...ceiling, speedPct: Math.max(floor.speedPct, lower) } }],
  ]
}

function inParts(response: Response): WrongResponse[] {
  const { followers, startKick, heaterPurge, finalRunOn } = response
  const { heaterPurge: _purge, ...withoutPurge } = response
  const { finalRunOn: _runOn, ...withoutRunOn } = response
  const faults: WrongResponse[] = followers.map((follower) => {
    const wrong = followers.map((other) => (other === follower ? { ...other, ratio: other.ratio * 0.7 } : other))
    return ['wrong ratio', follower.fan, { ...response, followers: wrong }]
  })
  if (startKick && startKick.holdS > 0) faults.push(['missing kick', 'kick', { ...response, startKick: null }])
  if (heaterPurge) faults.push(['missing heater purge', 'heater-purge', withoutPurge])
  if (heaterPurge && heaterPurge.holdS > 0) {
    const held = { ...heaterPurge, holdS: longer(heaterPurge.holdS) }
    faults.push(['wrong time', 'heater-purge', { ...response, heaterPurge: held }])
  }
  if (finalRunOn && finalRunOn.holdS > 0) faults.push(['missing overrun', 'run-on', withoutRunOn])
  return faults
}

/** Faults of what hangs on the controller. */
function atTheController({ response, installation }: ProveContext): Fault[] {
  const fault = (kind: FaultKind, wording: string, wrong: Wrong): Fault => ({ kind, wording, wrong })
  const leaves = response.inputs.filter(isMeasured).filter(({ combines }) => !combines)
  const signal = installation.kit.fans.find(({ id }) => id === response.lead)?.signal
  return [
    ...(response.stages?.fixed ?? []).map(({ fan }) => fault('missing stage', fan, { dead: fan })),
    ...[Math.min(90, response.floor.speedPct + 2), 60].map((pct) =>
      fault('stuck at one speed', `${pct} %`, { stuckAtPct: pct }),
    ),
    ...leaves.map(({ id }) => fault('unplugged probe', id, { unplugged: id })),
    ...leaves.flatMap((one, index) =>
      leaves
        .slice(index + 1)
        .filter(({ kind }) => kind === one.kind)
        .map(({ id }) => fault('swapped probes', `${one.id} ${id}`, { swapped: [one.id, id] })),
    ),
    ...(signal?.kind === 'volts'
      ? [
          fault('wrong convention of volts', signal.convention, {
            signal: { kind: 'volts', convention: signal.convention === 'two-to-ten' ? 'ten' : 'two-to-ten' },
          }),
        ]
      : []),
  ]
}

/** Every fault of at least three tolerances that this setting could have. */
export function faultsOf(context: ProveContext): Fault[] {
  const { response, machine } = context
  const inRules = machine.rules.flatMap((rule) =>
    (WRONG_IN[rule.kind] as WrongIn<Rule>)(rule, context).map(([kind, wording, wrong]): WrongResponse => [
      kind,
      `${wording} of ${rule.id}`,
      { ...response, rules: response.rules.map((held) => (held.id === rule.id ? wrong : held)) },
    ]),
  )
  const compiled = [...inRules, ...inBounds(response), ...inParts(response)].flatMap(
    ([kind, wording, wrong]): Fault[] => {
      const outcome = compile(wrong)
      return outcome.ok ? [{ kind, wording, wrong: { machine: outcome.value } }] : []
    },
  )
  return [...compiled, ...atTheController(context)]
}
