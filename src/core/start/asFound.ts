import { boundsOf } from '@/core/controller/boundsOf'
import { giveParts } from '@/core/controller/giveParts'
import { isPart, type ControllerModel, type Meaning } from '@/core/controller/schema'
import { presentValue } from '@/core/controller/settingValue'
import { settingOf } from '@/core/controller/settingOf'
import { ruleKindOf, slotKind } from '@/core/controller/slots/table'
import type { Installation } from '@/core/installation/installation'
import { freeId } from '@/core/json/freeId'
import { plainCopy } from '@/core/json/plainCopy'
import { equalJoins } from '@/core/response/equalStages'
import type { Response } from '@/core/response/schema'
import type { Input, MeasuredInput } from '@/core/rules/input'
import type { Overrun } from '@/core/rules/switchRule'
import { ruleKind, type Rule } from '@/core/rules/table'

const RANGES: Record<MeasuredInput['kind'], readonly [from: number, to: number, name: string]> = {
  temperature: [0, 50, 'temperature'],
  humidity: [30, 100, 'humidity'],
  pressure: [0, 200, 'pressure'],
  light: [0, 200, 'light'],
  volts: [0, 10, 'signal'],
}

/** The input a slot answers to: the first of its kind here, else a new one. */
function inputFor(inputs: Input[], kind: Input['kind']): string {
  const found = inputs.find((input) => input.kind === kind)
  if (found) return found.id
  const id = freeId(
    inputs.map((input) => input.id),
    kind,
  )
  if (kind === 'switch') inputs.push({ id, kind, name: 'switch' })
  else {
    const [from, to, name] = RANGES[kind]
    inputs.push({ id, kind, name, from, to })
  }
  return id
}

type Slot = {
  readonly input?: MeasuredInput['kind']
  readonly action?: 'direct' | 'reverse'
  readonly falls?: boolean
  readonly overrun?: readonly string[]
}

type Blank<R> = (common: { readonly id: string; readonly input: string; readonly floorPct: number }, slot: Slot) => R

const overrunOf = ({ overrun = [] }: Slot): Overrun => {
  if (overrun.includes('fixed')) return { kind: 'fixed', holdS: 0 }
  return overrun.includes('matched') ? { kind: 'matched', factor: 1, floorS: 0, capS: 900 } : { kind: 'none' }
}

/** Rules whose figures are all about to be put in, by kind, in the order in which slots are read. A calendar is read period by period, not
 *  setting by setting; no controller here has a slot for a purge. */
const BLANKS: { readonly [K in Rule['kind']]?: Blank<Extract<Rule, { kind: K }>> } = {
  ramp: ({ id, input, floorPct }, { falls }) => ({
    id,
    kind: 'ramp',
    input,
    startAt: 20,
    fullAt: falls ? 15 : 25,
    fromPct: floorPct,
    toPct: 100,
    below: 'from',
  }),
  differential: ({ id, input, floorPct }, { action = 'direct' }) => ({
    id,
    kind: 'differential',
    input,
    action,
    onAt: 25,
    offAt: action === 'reverse' ? 26 : 24,
    speedPct: floorPct,
    minOnS: 0,
    minOffS: 0,
  }),
  'rapid-rise': ({ id, input, floorPct }) => ({
    id,
    kind: 'rapid-rise',
    input,
    windowS: 300,
    rise: 10,
    release: 5,
    speedPct: floorPct,
    capS: 1800,
  }),
  switch: ({ id, input, floorPct }, slot) => ({
    id,
    kind: 'switch',
    input,
    speedPct: floorPct,
    onDelayS: 0,
    overrun: overrunOf(slot),
  }),
  cycle: ({ id, floorPct }) => ({ id, kind: 'cycle', onS: 60, periodS: 600, speedPct: floorPct }),
  'hold-after-fall': ({ id, input, floorPct }) => ({
    id,
    kind: 'hold-after-fall',
    input,
    armAbove: 50,
    speedPct: floorPct,
    holdS: 0,
  }),
}

/** What a slot of a kind reads: a contact, what its slot names, a temperature where it names nothing; nothing where time alone decides. */
function inputOfSlot(inputs: Input[], kind: Rule['kind'], slot: Slot): string {
  const { trigger } = ruleKind({ kind })
  return trigger === 'clock' ? '' : inputFor(inputs, trigger === 'contact' ? 'switch' : (slot.input ?? 'temperature'))
}

/** The response that the settings on the panel mean: what `fit` does, walked the other way by the same slots. Rules whose setting says off
 *  are left out; calendars, wiring and what no setting speaks of stay as they are here. */
export function asFound({ response: own, kit, dial }: Installation, model: ControllerModel): Response {
  const valueOf = (means: Meaning, slot: number): number | undefined => {
    const setting = settingOf(model, means, slot)
    return setting && presentValue(setting, dial.present)
  }
  const { floorPct, ceilingPct } = boundsOf(model, own, valueOf)
  const inputs = [...own.inputs]
  const rules: Rule[] = []
  for (const kind of Object.keys(BLANKS) as (keyof typeof BLANKS)[])
    (slotKind(kind).slots(model) as readonly Slot[]).forEach((slot, index) => {
      const isOff = model.settings
        .filter(isPart)
        .some(
          ({ means, slot: of, off }) =>
            off !== undefined && of === index + 1 && ruleKindOf(means) === kind && valueOf(means, of) === off,
        )
      if (isOff) return
      const id = freeId(
        rules.map((rule) => rule.id),
        kind,
      )
      const rule = (BLANKS[kind] as Blank<Rule>)({ id, input: inputOfSlot(inputs, kind, slot), floorPct }, slot)
      rules.push(
        slotKind(kind).give(rule, slot, {
          response: own,
          model,
          floorPct,
          ceilingPct,
          valueOf: (means) => valueOf(means, index + 1),
        }).value,
      )
    })
  const finalRunOnS = valueOf('finalRunOn.holdS', 1) ?? 0
  const free = kit.fans.map(({ id }) => id).filter((id) => id !== own.lead)
  const followers = model.followers.slice(0, free.length).map((slot, index) => ({
    fan: free[index]!,
    ratio: 1,
    floorPct: slot.floorPct,
    atLeadFloor: slot.atLeadFloor,
  }))
  const stagesFixed = free.slice(followers.length).slice(0, model.stages?.fixed ?? 0)
  const joins = equalJoins(stagesFixed.length)
  // What is there at all; its figures are put in by `giveParts`.
  const asked: Response = {
    ...own,
    inputs,
    floor: { ...own.floor, speedPct: floorPct },
    ceiling: { speedPct: ceilingPct, how: model.ceiling },
    rules: [...rules, ...own.rules.filter((rule) => 'periods' in rule && (model.weeks?.length ?? 0) > 0)],
    startKick: model.startKick === 'none' ? null : { speedPct: 100, holdS: 2 },
    followers,
    ...(finalRunOnS > 0 ? { finalRunOn: { holdS: finalRunOnS, speedPct: null } } : {}),
    ...(stagesFixed.length > 0
      ? {
          stages: {
            fixed: stagesFixed.map((fan, index) => ({ fan, joinsAtPct: joins[index]! })),
            offBelowPct: 5,
            minStageS: 0,
            ...(model.stages?.inlets
              ? { inletPct: [null, ...stagesFixed].map((_fan, index) => valueOf('stages.inletPct', index + 1) ?? 0) }
              : {}),
          },
        }
      : {}),
  }
  const parts = giveParts(asked, model, floorPct, valueOf).value
  return plainCopy({ ...asked, ...parts })
}
