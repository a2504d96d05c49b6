import type { Loss, PartKind } from '@/core/controller/loss'
import type { ControllerModel, Meaning } from '@/core/controller/schema'
import { equalJoins } from '@/core/response/equalStages'
import type { Follower, Overrides, Response } from '@/core/response/schema'
import { isMeasured, type Input } from '@/core/rules/input'

type ValueOf = (means: Meaning, slot: number) => number | undefined

function giveFollowers({ followers }: Response, model: ControllerModel, valueOf: ValueOf, losses: Loss[]): Follower[] {
  return followers.flatMap((follower, index): Follower[] => {
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
}

function giveInputs(
  { inputs }: Response,
  model: ControllerModel,
  floorPct: number,
  valueOf: ValueOf,
  losses: Loss[],
): Input[] {
  const { lost = 'nothing', combine = [], offsets = false } = model.abilities ?? {}
  const slotOf = (input: Input): number => {
    const place = inputs.filter(({ kind }) => kind === input.kind).indexOf(input)
    const own = (model.inputs ?? []).flatMap(({ kind }, index) => (kind === input.kind ? [index + 1] : []))
    return own[place] ?? 0
  }
  return inputs.map((input): Input => {
    if (!isMeasured(input)) return input
    const { lostPct: askedPct, combines, ...rest } = input
    const givenPct =
      lost === 'nothing'
        ? undefined
        : lost === 'set'
          ? (valueOf('lost.speedPct', slotOf(input)) ?? askedPct)
          : { full: 100, floor: floorPct, off: 0 }[lost]
    if (askedPct !== undefined && givenPct !== askedPct)
      losses.push({ kind: 'lost-sensor', input: input.id, askedPct, givenPct: givenPct ?? null })
    const canCombine = combines !== undefined && combine.includes(combines.how)
    if (combines && !canCombine) losses.push({ kind: 'part-left-out', part: 'combined-input', name: input.name })
    const offset = offsets ? (valueOf('input.offset', slotOf(input)) ?? input.offset) : undefined
    const { offset: _offset, ...plain } = rest
    return {
      ...plain,
      ...(offset === undefined || offset === 0 ? {} : { offset }),
      ...(givenPct === undefined ? {} : { lostPct: givenPct }),
      // What it cannot combine it reads from the first of them.
      ...(combines ? { combines: canCombine ? combines : { of: combines.of.slice(0, 1), how: 'highest' } } : {}),
    }
  })
}

function giveOverrides(
  { overrides }: Response,
  model: ControllerModel,
  leaveOut: (part: PartKind) => void,
): Overrides | undefined {
  if (!overrides) return undefined
  const can = model.abilities?.overrides ?? []
  const { isolated, safetyStop, overheat, test } = overrides
  if (safetyStop !== undefined && !can.includes('safetyStop')) leaveOut('safety-stop')
  if (overheat && !can.includes('overheat')) leaveOut('overheat')
  if (test && !can.includes('test')) leaveOut('test')
  return {
    // The isolator is beside the controller, not in it.
    ...(isolated === undefined ? {} : { isolated }),
    ...(safetyStop !== undefined && can.includes('safetyStop') ? { safetyStop } : {}),
    ...(overheat && can.includes('overheat') ? { overheat } : {}),
    ...(test && can.includes('test') ? { test } : {}),
  }
}

function giveStages(response: Response, model: ControllerModel, valueOf: ValueOf, leaveOut: (part: PartKind) => void) {
  const { stages } = response
  if (!stages) return undefined
  const count = Math.min(stages.fixed.length, model.stages?.fixed ?? 0)
  if (count < stages.fixed.length) leaveOut('stages')
  if (count === 0) return undefined
  const hasJoins = model.settings.some(({ means }) => means === 'stages.joinPct')
  const equal = equalJoins(count)
  return {
    fixed: stages.fixed.slice(0, count).map(({ fan }, index) => ({
      fan,
      joinsAtPct: hasJoins ? (valueOf('stages.joinPct', index + 1) ?? equal[index]!) : equal[index]!,
    })),
    offBelowPct: valueOf('stages.offBelowPct', 1) ?? stages.offBelowPct,
    minStageS: valueOf('stages.minStageS', 1) ?? stages.minStageS,
  }
}

const orLeft = <T>(asked: T | undefined, can: boolean, leave: () => void): T | undefined => {
  if (asked !== undefined && !can) leave()
  return can ? asked : undefined
}

/** Everything of a response but its rules, floor, ceiling and steps, as this controller carries it out. */
export function giveParts(
  response: Response,
  model: ControllerModel,
  floorPct: number,
  valueOf: ValueOf,
  losses: Loss[],
): Partial<Response> {
  const { abilities = {} } = model
  const leaveOut = (part: PartKind) => losses.push({ kind: 'part-left-out', part, name: '' })
  const { startKick, reductions = [], skipBands = [], otherOutputs = [] } = response
  if (startKick && model.startKick === 'none') losses.push({ kind: 'no-kick' })
  const finalRunOn = orLeft(response.finalRunOn, abilities.finalRunOn ?? false, () => leaveOut('run-on'))
  const heaterPurge = orLeft(response.heaterPurge, abilities.heaterPurge ?? false, () => leaveOut('heater-purge'))
  const light = orLeft(response.light, abilities.modes?.includes('light') ?? false, () => leaveOut('light-modes'))
  const mostReductions = abilities.reductions ?? 0
  if (reductions.length > mostReductions) leaveOut('reduction')
  const outputs = otherOutputs.filter(({ kind, name }) => {
    const can = abilities.otherOutputs?.includes(kind) ?? false
    if (!can) losses.push({ kind: 'output-left-out', name })
    return can
  })
  if (response.keeps?.some((memory) => !abilities.keeps?.includes(memory))) leaveOut('power-memory')
  const wins = model.wins ?? 'highest'
  if (wins !== (response.wins ?? 'highest')) losses.push({ kind: 'wins', asked: response.wins ?? 'highest' })
  return {
    inputs: giveInputs(response, model, floorPct, valueOf, losses),
    startKick:
      startKick && model.startKick !== 'none'
        ? {
            speedPct: Math.max(floorPct, valueOf('kick.speedPct', 1) ?? startKick.speedPct),
            holdS: valueOf('kick.holdS', 1) ?? startKick.holdS,
          }
        : null,
    followers: giveFollowers(response, model, valueOf, losses),
    wins: wins === 'first' ? 'first' : undefined,
    light: light && {
      ...light,
      level: valueOf('light.level', 1) ?? light.level,
      delayS: valueOf('light.delayS', 1) ?? light.delayS,
    },
    dayByWeek: orLeft(response.dayByWeek, abilities.modes?.includes('week') ?? false, () => leaveOut('week-modes')),
    finalRunOn: finalRunOn && { ...finalRunOn, holdS: valueOf('finalRunOn.holdS', 1) ?? finalRunOn.holdS },
    reductions: someOf(
      reductions.slice(0, mostReductions).map((reduction, index) => ({
        ...reduction,
        at: valueOf('reduction.at', index + 1) ?? reduction.at,
        byPct: valueOf('reduction.byPct', index + 1) ?? reduction.byPct,
      })),
    ),
    heaterPurge: heaterPurge && {
      ...heaterPurge,
      speedPct: valueOf('heaterPurge.speedPct', 1) ?? heaterPurge.speedPct,
      holdS: valueOf('heaterPurge.holdS', 1) ?? heaterPurge.holdS,
    },
    overrides: giveOverrides(response, model, leaveOut),
    skipBands: someOf(
      skipBands.slice(0, abilities.skipBands ?? 0).map((band, index) => ({
        fromPct: valueOf('skipBand.fromPct', index + 1) ?? band.fromPct,
        toPct: valueOf('skipBand.toPct', index + 1) ?? band.toPct,
      })),
    ),
    stages: giveStages(response, model, valueOf, leaveOut),
    otherOutputs: someOf(outputs),
    rate: orLeft(response.rate, abilities.rate ?? false, () => leaveOut('rate')),
    scanS: abilities.scanS,
    keeps: abilities.keeps,
  }
}

const someOf = <T>(list: T[]): T[] | undefined => (list.length > 0 ? list : undefined)
