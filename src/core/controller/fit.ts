import type { Duty } from '@/core/brief/duty'
import { assign, wantedValue, type Assignment } from '@/core/controller/wanted'
import { safeSide } from '@/core/controller/safeSide'
import type { ControllerModel, Setting, SettingValue } from '@/core/controller/schema'
import { measureCurve, type CurveDifference } from '@/core/controller/measureLoss'
import type { Follower, Overrun, Ramp, Response, SwitchRule } from '@/core/response/schema'

/** Where what is given differs from what was asked. The words are made in `lossText`. */
export type Loss =
  | {
      readonly kind: 'rounded'
      readonly setting: Setting
      readonly asked: number
      readonly given: number
      readonly because: string
    }
  | { readonly kind: 'beyond-range'; readonly setting: Setting; readonly asked: number; readonly given: number }
  | { readonly kind: 'rule-left-out'; readonly rule: string }
  | {
      readonly kind: 'overrun-replaced'
      readonly rule: string
      readonly asked: Overrun['kind']
      readonly given: Overrun['kind']
      readonly holdS: number
    }
  | {
      readonly kind: 'end-follows'
      readonly rule: string
      readonly end: 'from' | 'to'
      readonly takes: string
      readonly askedPct: number
      readonly givenPct: number
    }
  | { readonly kind: 'speed-follows'; readonly rule: string; readonly askedPct: number; readonly givenPct: number }
  | { readonly kind: 'follower-left-out'; readonly fan: string }
  | {
      readonly kind: 'follower-at-floor'
      readonly fan: string
      readonly asked: Follower['atLeadFloor']
      readonly given: Follower['atLeadFloor']
    }
  | { readonly kind: 'no-kick' }
  | { readonly kind: 'no-on-delay'; readonly rule: string; readonly delayS: number }
  | { readonly kind: 'below-holds'; readonly rule: string }
  | { readonly kind: 'steps'; readonly stepPct: number; readonly curve: CurveDifference }

export type Fit = {
  readonly settings: readonly SettingValue[]
  readonly given: Response
  readonly losses: readonly Loss[]
}

const ON_STEP = 1e-6

/** The value nearest to `wanted` that the setting can have, on the side asked for, and inside its range. */
export function nearestValue({ min, max, step }: Setting, wanted: number, towards: 'up' | 'down' | 'nearest'): number {
  const steps = (wanted - min) / step
  const whole =
    towards === 'up' ? Math.ceil(steps - ON_STEP) : towards === 'down' ? Math.floor(steps + ON_STEP) : Math.round(steps)
  const last = Math.floor((max - min) / step + ON_STEP)
  const value = min + Math.min(Math.max(whole, 0), last) * step
  return Number(value.toFixed(6))
}

/** What every setting is put to: the asked value on the safe side, or its default where nothing speaks of it. */
function chooseSettings(response: Response, model: ControllerModel, duty: Duty, assignment: Assignment) {
  const losses: Loss[] = []
  const settings = model.settings.map((setting): SettingValue => {
    const asked = wantedValue(setting, response, assignment)
    if (asked === null) return { setting: setting.id, value: setting.default }
    const side = safeSide(setting.means, duty)
    const given = nearestValue(setting, asked, side.towards)
    if (asked < setting.min - ON_STEP || asked > setting.max + ON_STEP)
      losses.push({ kind: 'beyond-range', setting, asked, given })
    else if (Math.abs(given - asked) > ON_STEP)
      losses.push({ kind: 'rounded', setting, asked, given, because: side.because })
    return { setting: setting.id, value: given }
  })
  return { settings, losses }
}

/** From response and model: the settings, the response this controller will really carry out, and what is lost between the two. */
export function fit(response: Response, model: ControllerModel, duty: Duty): Fit {
  const assignment = assign(response, model)
  const { settings, losses } = chooseSettings(response, model, duty, assignment)
  const valueOf = (means: Setting['means'], slot: number): number | undefined => {
    const setting = model.settings.find((candidate) => candidate.means === means && candidate.slot === slot)
    return setting && settings.find(({ setting: id }) => id === setting.id)?.value
  }
  const floorPct = Math.max(valueOf('floor', 1) ?? model.lowestPct, model.lowestPct)
  const ceilingPct = valueOf('ceiling', 1) ?? 100

  const ramps = assignment.ramps.flatMap((ramp, index): Ramp[] => {
    const slot = model.ramps[index]
    if (!ramp || !slot) return []
    const startAt = valueOf('ramp.startAt', index + 1) ?? ramp.startAt
    const fromPct = slot.from === 'floor' ? floorPct : (valueOf('ramp.fromPct', index + 1) ?? ramp.fromPct)
    const toPct =
      slot.to === 'own' ? (valueOf('ramp.toPct', index + 1) ?? ramp.toPct) : slot.to === 'ceiling' ? ceilingPct : 100
    if (slot.from === 'floor' && Math.abs(ramp.fromPct - response.floor.speedPct) > ON_STEP)
      losses.push({
        kind: 'end-follows',
        rule: ramp.id,
        end: 'from',
        takes: 'the floor',
        askedPct: ramp.fromPct,
        givenPct: fromPct,
      })
    // A controller that rescales squeezes its full-speed end down to the ceiling.
    const endPct = model.ceiling === 'rescale' ? Math.min(toPct, ceilingPct) : toPct
    if (slot.to !== 'own' && Math.abs(ramp.toPct - endPct) > ON_STEP)
      losses.push({
        kind: 'end-follows',
        rule: ramp.id,
        end: 'to',
        takes: endPct === 100 ? 'full speed' : 'the ceiling',
        askedPct: ramp.toPct,
        givenPct: endPct,
      })
    if (ramp.below === 'nothing' && ramp.fromPct > response.floor.speedPct)
      losses.push({ kind: 'below-holds', rule: ramp.id })
    return [
      {
        ...ramp,
        startAt,
        fullAt: startAt + (valueOf('ramp.span', index + 1) ?? ramp.fullAt - ramp.startAt),
        fromPct,
        toPct,
        below: 'from',
      },
    ]
  })

  const switches = assignment.switches.flatMap((rule, index): SwitchRule[] => {
    const slot = model.switches[index]
    if (!rule || !slot) return []
    const speedPct = slot.speed === 'ceiling' ? ceilingPct : (valueOf('switch.speedPct', index + 1) ?? rule.speedPct)
    if (slot.speed === 'ceiling' && Math.abs(speedPct - rule.speedPct) > ON_STEP)
      losses.push({ kind: 'speed-follows', rule: rule.id, askedPct: rule.speedPct, givenPct: speedPct })
    if (rule.onDelayS > 0) losses.push({ kind: 'no-on-delay', rule: rule.id, delayS: rule.onDelayS })
    return [
      {
        ...rule,
        speedPct,
        onDelayS: 0,
        overrun: giveOverrun(rule, slot.overrun, valueOf('switch.overrunS', index + 1) ?? 0, losses),
      },
    ]
  })

  for (const rule of assignment.leftOver) losses.push({ kind: 'rule-left-out', rule: rule.id })
  const followers = response.followers.flatMap((follower, index): Follower[] => {
    const slot = model.followers[index]
    if (!slot) {
      losses.push({ kind: 'follower-left-out', fan: follower.fan })
      return []
    }
    if (slot.atLeadFloor !== follower.atLeadFloor)
      losses.push({
        kind: 'follower-at-floor',
        fan: follower.fan,
        asked: follower.atLeadFloor,
        given: slot.atLeadFloor,
      })
    const ratio = (valueOf('follower.ratioPct', index + 1) ?? follower.ratio * 100) / 100
    return [{ ...follower, ratio, floorPct: Math.max(slot.floorPct, follower.floorPct), atLeadFloor: slot.atLeadFloor }]
  })
  if (response.startKick && model.startKick === 'none') losses.push({ kind: 'no-kick' })

  const order = response.rules.map(({ id }) => id)
  const stepPct = Math.max(...model.outputs.map((output) => output.stepPct))
  const given: Response = {
    ...response,
    floor: { ...response.floor, speedPct: floorPct },
    ceiling: { speedPct: ceilingPct, how: model.ceiling },
    rules: [...ramps, ...switches].sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id)),
    startKick:
      model.startKick === 'none' ? null : kickGiven(response, valueOf('kick.speedPct', 1), valueOf('kick.holdS', 1)),
    followers,
    steps: { stepPct, rounding: model.rounding },
  }
  const curve = measureCurve(response, given)
  if (curve && curve.greatestPct > 0.5) losses.push({ kind: 'steps', stepPct, curve })
  return { settings, given, losses }
}

function giveOverrun(rule: SwitchRule, can: readonly Overrun['kind'][], holdS: number, losses: Loss[]): Overrun {
  const { overrun } = rule
  if (can.includes(overrun.kind)) return overrun.kind === 'fixed' ? { kind: 'fixed', holdS } : overrun
  // The nearest thing to “as long as it was on” is its cap: the longest it could have been.
  const given: Overrun = can.includes('fixed') ? { kind: 'fixed', holdS } : { kind: 'none' }
  losses.push({
    kind: 'overrun-replaced',
    rule: rule.id,
    asked: overrun.kind,
    given: given.kind,
    holdS: given.kind === 'fixed' ? holdS : 0,
  })
  return given
}

const kickGiven = ({ startKick }: Response, speedPct: number | undefined, holdS: number | undefined) =>
  startKick && { speedPct: speedPct ?? startKick.speedPct, holdS: holdS ?? startKick.holdS }
