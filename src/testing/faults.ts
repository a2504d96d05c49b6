import { compile } from '@/core/machine/compile'
import { leavesOf, measuredOf, type ProveContext } from '@/core/prove/context'
import { allowedS, inputHalf, METER_HALF_PCT } from '@/core/prove/uncertainty'
import type { Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
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
  'missing cool-down',
  'missing stage',
  'wrong convention of volts',
] as const
export type FaultKind = (typeof FAULT_KINDS)[number]
export type Fault = { readonly kind: FaultKind; readonly said: string; readonly wrong: Wrong }

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

type Put = (rule: Rule) => Rule
const putting =
  <K extends Rule['kind']>(kind: K, change: (rule: Extract<Rule, { kind: K }>) => Rule): Put =>
  (rule) =>
    rule.kind === kind ? change(rule as Extract<Rule, { kind: K }>) : rule

/** Every fault of at least three tolerances that this setting could have. */
export function faultsOf(context: ProveContext): Fault[] {
  const { response, machine } = context
  const faults: Fault[] = []
  const add = (kind: FaultKind, said: string, wrong: Wrong) => void faults.push({ kind, said, wrong })
  const set = (kind: FaultKind, said: string, changed: Response) => {
    const outcome = compile(changed)
    if (outcome.ok) add(kind, said, { machine: outcome.value })
  }
  const inRule = (kind: FaultKind, said: string, { id }: Rule, change: Put) =>
    set(kind, `${said} of ${id}`, {
      ...response,
      rules: response.rules.map((rule) => (rule.id === id ? change(rule) : rule)),
    })

  for (const rule of machine.rules) {
    switch (rule.kind) {
      case 'ramp': {
        const [atStart, atFull] = [rule.startAt, rule.fullAt].map((at) => MADE * halfOf(context, rule.input, at))
        for (const way of [-2, -1, 1, 2]) {
          inRule(
            'wrong start',
            `start ${way}`,
            rule,
            putting('ramp', (r) => ({ ...r, startAt: r.startAt + way * atStart! })),
          )
          inRule(
            'wrong span',
            `full ${way}`,
            rule,
            putting('ramp', (r) => ({ ...r, fullAt: r.fullAt + way * atFull! })),
          )
        }
        inRule(
          'reversed action',
          'action',
          rule,
          putting('ramp', (r) => ({ ...r, startAt: r.fullAt, fullAt: r.startAt })),
        )
        break
      }
      case 'differential': {
        const by = MADE * halfOf(context, rule.input, rule.onAt)
        const out = rule.action === 'direct' ? 1 : -1
        inRule(
          'wrong start',
          'on',
          rule,
          putting('differential', (r) => ({ ...r, onAt: r.onAt + out * by })),
        )
        inRule(
          'wrong span',
          'off',
          rule,
          putting('differential', (r) => ({ ...r, offAt: r.offAt - out * by })),
        )
        inRule(
          'reversed action',
          'action',
          rule,
          putting('differential', (r) => ({
            ...r,
            action: r.action === 'direct' ? 'reverse' : 'direct',
            onAt: r.offAt,
            offAt: r.onAt,
          })),
        )
        break
      }
      case 'switch':
        if (rule.overrun.kind === 'fixed') {
          const { holdS } = rule.overrun
          inRule(
            'wrong time',
            'overrun',
            rule,
            putting('switch', (r) => ({ ...r, overrun: { kind: 'fixed', holdS: longer(holdS) } })),
          )
        }
        if (rule.overrun.kind !== 'none')
          inRule(
            'missing overrun',
            'overrun',
            rule,
            putting('switch', (r) => ({ ...r, overrun: { kind: 'none' } })),
          )
        if (rule.onDelayS > 0)
          inRule(
            'wrong time',
            'delay',
            rule,
            putting('switch', (r) => ({ ...r, onDelayS: longer(r.onDelayS) })),
          )
        break
      case 'rapid-rise':
        inRule(
          'wrong start',
          'rise',
          rule,
          putting('rapid-rise', (r) => ({ ...r, rise: 3 * r.rise })),
        )
        inRule(
          'wrong time',
          'cap',
          rule,
          putting('rapid-rise', (r) => ({ ...r, capS: longer(r.capS) })),
        )
        break
      case 'cycle':
        inRule(
          'wrong time',
          'on-part',
          rule,
          putting('cycle', (r) => ({ ...r, onS: longer(r.onS) })),
        )
        break
      case 'hold-after-fall':
        inRule(
          'wrong start',
          'arming',
          rule,
          putting('hold-after-fall', (r) => ({
            ...r,
            armAbove: r.armAbove + MADE * halfOf(context, r.input, r.armAbove),
          })),
        )
        inRule(
          'wrong time',
          'hold-after-fall',
          rule,
          putting('hold-after-fall', (r) => ({ ...r, holdS: longer(r.holdS) })),
        )
        inRule(
          'missing overrun',
          'hold-after-fall',
          rule,
          putting('hold-after-fall', (r) => ({ ...r, holdS: 0 })),
        )
        break
      case 'purge':
        inRule(
          'wrong start',
          'end of the purge',
          rule,
          putting('purge', (r) => ({ ...r, untilAt: r.untilAt - MADE * halfOf(context, r.input, r.untilAt) })),
        )
        break
      case 'week':
        for (const [index, period] of rule.periods.entries())
          inRule(
            'wrong time',
            `period ${index}`,
            rule,
            putting('week', (r) => ({
              ...r,
              periods: r.periods.map((other) =>
                other === period ? { ...other, startMin: (other.startMin + 60) % 1440 } : other,
              ),
            })),
          )
        break
    }
  }
  const { floor, ceiling, steps, followers, startKick, heaterPurge, stages, finalRunOn } = response
  const atFloor = beyondMeter(floor.speedPct, steps.stepPct)
  if (!floor.offAllowed && floor.speedPct > 0)
    for (const way of [-1, 1])
      set('wrong floor', `floor ${way}`, {
        ...response,
        floor: { ...floor, speedPct: Math.max(0, floor.speedPct + way * atFloor) },
      })
  set('wrong ceiling', 'ceiling', {
    ...response,
    ceiling: {
      ...ceiling,
      speedPct: Math.max(floor.speedPct, ceiling.speedPct - beyondMeter(ceiling.speedPct, steps.stepPct)),
    },
  })
  for (const follower of followers)
    set('wrong ratio', follower.fan, {
      ...response,
      followers: followers.map((other) => (other === follower ? { ...other, ratio: other.ratio * 0.7 } : other)),
    })
  if (startKick && startKick.holdS > 0) set('missing kick', 'kick', { ...response, startKick: null })
  if (heaterPurge) {
    const { heaterPurge: _without, ...rest } = response
    set('missing cool-down', 'heater-purge', rest)
    if (heaterPurge.holdS > 0)
      set('wrong time', 'heater-purge', {
        ...response,
        heaterPurge: { ...heaterPurge, holdS: longer(heaterPurge.holdS) },
      })
  }
  if (finalRunOn && finalRunOn.holdS > 0) {
    const { finalRunOn: _without, ...rest } = response
    set('missing overrun', 'run-on', rest)
  }
  for (const { fan } of stages?.fixed ?? []) add('missing stage', fan, { dead: fan })
  for (const pct of [Math.min(90, floor.speedPct + 2), 60]) add('stuck at one speed', `${pct} %`, { stuckAtPct: pct })
  const leaves = response.inputs.filter(isMeasured).filter(({ combines }) => !combines)
  for (const { id } of leaves) add('unplugged probe', id, { unplugged: id })
  leaves.forEach((one, index) =>
    leaves.slice(index + 1).forEach((other) => {
      if (one.kind === other.kind) add('swapped probes', `${one.id} ${other.id}`, { swapped: [one.id, other.id] })
    }),
  )
  const lead = context.installation.kit.fans.find(({ id }) => id === response.lead)
  if (lead?.signal.kind === 'volts')
    add('wrong convention of volts', lead.signal.convention, {
      signal: { kind: 'volts', convention: lead.signal.convention === 'two-to-ten' ? 'ten' : 'two-to-ten' },
    })
  return faults
}
