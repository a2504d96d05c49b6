import { given, givenList, givenParts, type Given } from '@/core/controller/given'
import type { Loss, PartKind } from '@/core/controller/loss'
import { AT_LEAD_FLOOR } from '@/core/controller/wanted'
import { giveOutputs } from '@/core/controller/giveOutputs'
import { giveNamedSpeeds, givePowerReturn, giveStepUps } from '@/core/controller/giveSpeeds'
import { giveSeasons, giveTargets } from '@/core/controller/giveTargets'
import type { ControllerModel, Meaning } from '@/core/controller/schema'
import { equalJoins } from '@/core/response/equalStages'
import type { Follower, Overrides, Response, Stages } from '@/core/response/schema'
import { isMeasured, type Input, type MeasuredInput } from '@/core/rules/input'

type ValueOf = (means: Meaning, slot: number) => number | undefined

const leftOut = (part: PartKind, name = ''): Loss => ({ kind: 'part-left-out', part, name })

const someOf = <T>(list: readonly T[]): T[] | undefined => (list.length > 0 ? [...list] : undefined)

/** A part as it is where the controller has it; lost where it is asked and the controller has not. */
const orLeft = <T>(asked: T | undefined, can: boolean, part: PartKind): Given<T | undefined> =>
  can ? given(asked) : given(undefined, asked !== undefined && leftOut(part))

function giveFollower(follower: Follower, index: number, model: ControllerModel, valueOf: ValueOf): Given<Follower[]> {
  const slot = model.followers[index]
  if (!slot) return given([], { kind: 'follower-left-out', fan: follower.fan })
  const ratio = (valueOf('follower.ratioPct', index + 1) ?? follower.ratio * 100) / 100
  const chosen = valueOf('follower.atLeadFloor', index + 1)
  const atLeadFloor = chosen === undefined ? slot.atLeadFloor : (AT_LEAD_FLOOR[chosen] ?? slot.atLeadFloor)
  const floorPct = valueOf('follower.floorPct', index + 1) ?? follower.floorPct
  return given(
    [{ ...follower, ratio, floorPct: Math.max(slot.floorPct, floorPct), atLeadFloor }],
    atLeadFloor !== follower.atLeadFloor && {
      kind: 'follower-at-floor',
      fan: follower.fan,
      asked: follower.atLeadFloor,
      given: atLeadFloor,
    },
  )
}

/** The speed when an input has no reading; undefined where its rules simply stop asking. */
function lostPctOf(
  { lostPct }: MeasuredInput,
  { abilities = {} }: ControllerModel,
  floorPct: number,
  set: number | undefined,
): number | undefined {
  const { lost = 'nothing' } = abilities
  if (lost === 'nothing') return undefined
  return lost === 'set' ? (set ?? lostPct) : { full: 100, floor: floorPct, off: 0 }[lost]
}

function giveInput(
  input: Input,
  slot: number,
  model: ControllerModel,
  floorPct: number,
  valueOf: ValueOf,
): Given<Input> {
  if (!isMeasured(input)) {
    const { contact, ...plain } = input
    const canOpen = model.abilities?.contactSense ?? false
    return given(
      contact === undefined || canOpen ? input : plain,
      contact === 'opens' && !canOpen && leftOut('contact-sense', input.name),
    )
  }
  const { combine = [], offsets = false } = model.abilities ?? {}
  const { lostPct: askedPct, combines, offset: askedOffset, lostBelow: askedBelow, ...plain } = input
  const givenPct = lostPctOf(input, model, floorPct, valueOf('lost.speedPct', slot))
  const canCombine = combines !== undefined && combine.includes(combines.how)
  const lostBelow = valueOf('input.lostBelow', slot) ?? (model.abilities?.liveZero ? askedBelow : undefined)
  const offset = offsets ? (valueOf('input.offset', slot) ?? askedOffset) : undefined
  return given(
    {
      ...plain,
      ...(lostBelow === undefined || askedBelow === undefined ? {} : { lostBelow }),
      ...(offset === undefined || offset === 0 ? {} : { offset }),
      ...(givenPct === undefined ? {} : { lostPct: givenPct }),
      // What it cannot combine it reads from the first of them.
      ...(combines ? { combines: canCombine ? combines : { of: combines.of.slice(0, 1), how: 'highest' } } : {}),
    },
    askedPct !== undefined &&
      givenPct !== askedPct && { kind: 'lost-sensor', input: input.id, askedPct, givenPct: givenPct ?? null },
    combines !== undefined && !canCombine && leftOut('combined-input', input.name),
    askedBelow !== undefined && lostBelow === undefined && leftOut('live-zero', input.name),
  )
}

/** The number of the model's input, counted from 1, that reads this one; 0 where none does. */
function slotOf(input: Input, { inputs }: Response, model: ControllerModel): number {
  const index = inputs.filter(({ kind }) => kind === input.kind).indexOf(input)
  const own = (model.inputs ?? []).flatMap(({ kind }, at) => (kind === input.kind ? [at + 1] : []))
  return own[index] ?? 0
}

function giveOverrides(
  { overrides }: Response,
  model: ControllerModel,
  valueOf: ValueOf,
): Given<Overrides | undefined> {
  if (!overrides) return given(undefined)
  const can = model.abilities?.overrides ?? []
  const { isolated, safetyStop, overheat, test } = overrides
  return given(
    {
      // The isolator is beside the controller, not in it.
      ...(isolated === undefined ? {} : { isolated }),
      ...(safetyStop !== undefined && can.includes('safetyStop') ? { safetyStop } : {}),
      ...(overheat && can.includes('overheat')
        ? {
            overheat: {
              ...overheat,
              onAt: valueOf('overheat.onAt', 1) ?? overheat.onAt,
              offBelow: valueOf('overheat.offBelow', 1) ?? overheat.offBelow,
            },
          }
        : {}),
      ...(test && can.includes('test')
        ? { test: { ...test, speedPct: valueOf('test.speedPct', 1) ?? test.speedPct } }
        : {}),
    },
    safetyStop !== undefined && !can.includes('safetyStop') && leftOut('safety-stop'),
    overheat !== undefined && !can.includes('overheat') && leftOut('overheat'),
    test !== undefined && !can.includes('test') && leftOut('test'),
  )
}

function giveStages({ stages }: Response, model: ControllerModel, valueOf: ValueOf): Given<Stages | undefined> {
  if (!stages) return given(undefined)
  const count = Math.min(stages.fixed.length, model.stages?.fixed ?? 0)
  const loss = count < stages.fixed.length && leftOut('stages')
  if (count === 0) return given(undefined, loss)
  const hasJoins = model.settings.some(({ means }) => means === 'stages.joinPct')
  const equal = equalJoins(count)
  const { percentOf: ofModel, byReading = false, inlets = false } = model.stages!
  const asksReading = stages.fixed[0]?.joinsWhile !== undefined
  const inletPct =
    inlets && stages.inletPct
      ? stages.inletPct.slice(0, count + 1).map((pct, index) => valueOf('stages.inletPct', index + 1) ?? pct)
      : undefined
  const points = stages.fixed
    .slice(0, count)
    .map(({ joinsWhile }, index) => valueOf('stages.joinAt', index + 1) ?? joinsWhile?.at)
  // Points that its step makes one would leave no order: then they stand as asked.
  const areApart = new Set(points).size === points.length
  return given(
    {
      fixed: stages.fixed.slice(0, count).map(({ fan, joinsWhile, airPct }, index) => ({
        fan,
        joinsAtPct: hasJoins ? (valueOf('stages.joinPct', index + 1) ?? equal[index]!) : equal[index]!,
        ...(airPct === undefined ? {} : { airPct }),
        ...(joinsWhile && byReading
          ? { joinsWhile: { ...joinsWhile, at: (areApart ? points[index] : undefined) ?? joinsWhile.at } }
          : {}),
      })),
      ...(ofModel === 'air' ? { percentOf: ofModel } : {}),
      ...(inletPct ? { inletPct } : {}),
      offBelowPct: valueOf('stages.offBelowPct', 1) ?? stages.offBelowPct,
      minStageS: valueOf('stages.minStageS', 1) ?? stages.minStageS,
    },
    loss,
    asksReading && !byReading && leftOut('stages-by-reading'),
    stages.inletPct !== undefined && !inletPct && leftOut('inlets'),
    !asksReading && (stages.percentOf ?? 'fans') !== (ofModel ?? 'fans') && leftOut('percent-of'),
  )
}

function giveReductions({ reductions = [] }: Response, most: number, valueOf: ValueOf): Given<Response['reductions']> {
  const kept = reductions.slice(0, most).map((reduction, index) => ({
    ...reduction,
    at: valueOf('reduction.at', index + 1) ?? reduction.at,
    byPct: valueOf('reduction.byPct', index + 1) ?? reduction.byPct,
  }))
  return given(someOf(kept), reductions.length > most && leftOut('reduction'))
}

/** With the figures that the controller is put to, where it has settings for them. */
function withFigures<T extends object>(
  part: Given<T | undefined>,
  group: 'light' | 'finalRunOn' | 'heaterPurge' | 'startTrim' | 'rate',
  keys: readonly (keyof T & string)[],
  valueOf: ValueOf,
): Given<T | undefined> {
  const { value, losses } = part
  if (!value) return part
  const set = keys.flatMap((key) => {
    const figure = valueOf(`${group}.${key}` as Meaning, 1)
    return figure === undefined ? [] : [[key, figure] as const]
  })
  return { value: { ...value, ...Object.fromEntries(set) }, losses }
}

function giveKick({ startKick }: Response, model: ControllerModel, floorPct: number, valueOf: ValueOf) {
  if (!startKick) return given(null)
  if (model.startKick === 'none') return given(null, { kind: 'no-kick' })
  return given({
    speedPct: Math.max(floorPct, valueOf('kick.speedPct', 1) ?? startKick.speedPct),
    holdS: valueOf('kick.holdS', 1) ?? startKick.holdS,
  })
}

/** Everything of a response but its rules, floor, ceiling and steps, as this controller carries it out. */
export function giveParts(
  response: Response,
  model: ControllerModel,
  floorPct: number,
  valueOf: ValueOf,
): Given<Partial<Response>> {
  const { abilities = {} } = model
  const { inputs, followers, skipBands = [], keeps } = response
  const modes = abilities.modes ?? []
  const wins = model.wins ?? 'highest'
  const asked = response.wins ?? 'highest'
  const bands = skipBands.slice(0, abilities.skipBands ?? 0).map((band, index) => ({
    fromPct: valueOf('skipBand.fromPct', index + 1) ?? band.fromPct,
    toPct: valueOf('skipBand.toPct', index + 1) ?? band.toPct,
  }))
  const finalRunOn = orLeft(response.finalRunOn, abilities.finalRunOn ?? false, 'run-on')
  const heaterPurge = orLeft(response.heaterPurge, abilities.heaterPurge ?? false, 'heater-purge')
  const targets = giveTargets(response, model, valueOf)
  const year = giveSeasons(response, model, valueOf)
  const speeds = giveNamedSpeeds(response, model, valueOf)
  const followed = givenList(followers.map((follower, index) => giveFollower(follower, index, model, valueOf)))
  return givenParts<Partial<Response>>({
    startKick: giveKick(response, model, floorPct, valueOf),
    finalRunOn: withFigures(finalRunOn, 'finalRunOn', ['holdS'], valueOf),
    heaterPurge: withFigures(heaterPurge, 'heaterPurge', ['speedPct', 'holdS'], valueOf),
    light: withFigures(
      orLeft(response.light, modes.includes('light'), 'light-modes'),
      'light',
      ['level', 'delayS'],
      valueOf,
    ),
    reductions: giveReductions(response, abilities.reductions ?? 0, valueOf),
    targets,
    seasons: given(year.value.seasons, ...year.losses),
    seasonNow: given(year.value.seasonNow),
    otherOutputs: giveOutputs(response, model, targets.value, valueOf),
    speeds,
    stepUps: giveStepUps(response, model, speeds.value, valueOf),
    startTrim: withFigures(
      orLeft(response.startTrim, abilities.startTrim ?? false, 'start-trim'),
      'startTrim',
      ['signalPct'],
      valueOf,
    ),
    powerReturn: givePowerReturn(response, model, valueOf),
    keeps: given(
      abilities.keeps,
      keeps?.some((memory) => !abilities.keeps?.includes(memory)) && leftOut('power-memory'),
    ),
    wins: given(wins === 'first' ? 'first' : undefined, wins !== asked && { kind: 'wins', asked }),
    inputs: givenList(
      inputs.map((input) => giveInput(input, slotOf(input, response, model), model, floorPct, valueOf)),
    ),
    followers: { ...followed, value: followed.value.flat() },
    dayByWeek: orLeft(response.dayByWeek, modes.includes('week'), 'week-modes'),
    overrides: giveOverrides(response, model, valueOf),
    skipBands: given(someOf(bands)),
    stages: giveStages(response, model, valueOf),
    rate: withFigures(
      orLeft(response.rate, abilities.rate ?? false, 'rate'),
      'rate',
      ['upPctPerS', 'downPctPerS'],
      valueOf,
    ),
    scanS: given(valueOf('scan.everyS', 1) ?? abilities.scanS),
  })
}
