import { given, type Given } from '@/core/controller/given'
import type { ControllerModel, Meaning } from '@/core/controller/schema'
import type { NamedSpeed, Response } from '@/core/response/schema'

type ValueOf = (means: Meaning, slot: number) => number | undefined

/** As many named speeds as the controller has, at the figures it is put to; rising, as they must. */
export function giveNamedSpeeds(
  { speeds = [], followers }: Response,
  model: ControllerModel,
  valueOf: ValueOf,
): Given<NamedSpeed[] | undefined> {
  const most = model.abilities?.speeds ?? 0
  const fitted = new Set(followers.slice(0, model.followers.length).map(({ fan }) => fan))
  const kept = speeds.slice(0, most).map(({ fans, fromPct, toPct, ...speed }, index): NamedSpeed => {
    const own = fans?.filter(({ fan }) => fitted.has(fan)) ?? []
    const followerPct = valueOf('named.followerPct', index + 1)
    const pct = valueOf('named.speedPct', index + 1) ?? speed.pct
    // A range that the controller’s step leaves is none any more.
    const isInside = pct >= (fromPct ?? 0) && pct <= (toPct ?? 100)
    return {
      ...speed,
      pct,
      ...(isInside && fromPct !== undefined ? { fromPct } : {}),
      ...(isInside && toPct !== undefined ? { toPct } : {}),
      ...(own.length > 0
        ? {
            fans: own.map((held, place) =>
              place === 0 && followerPct !== undefined ? { ...held, pct: followerPct } : held,
            ),
          }
        : {}),
    }
  })
  const rising = kept.filter(({ pct }, index) => index === 0 || pct > kept[index - 1]!.pct)
  return given(
    rising.length > 0 ? rising : undefined,
    rising.length < speeds.length && {
      kind: 'part-left-out',
      part: 'named-speeds',
      name: (kept.find((speed) => !rising.includes(speed)) ?? speeds[rising.length])!.name,
    },
  )
}

/** Steps up only where there are speeds to step to. */
export function giveStepUps(
  { stepUps = [] }: Response,
  model: ControllerModel,
  speeds: readonly NamedSpeed[] | undefined,
  valueOf: ValueOf,
): Given<Response['stepUps']> {
  const kept = speeds ? stepUps.slice(0, model.abilities?.stepUps ?? 0) : []
  return given(
    kept.length > 0
      ? kept.map((stepUp, index) => ({ ...stepUp, by: valueOf('stepUp.by', index + 1) ?? stepUp.by }))
      : undefined,
    kept.length < stepUps.length && { kind: 'part-left-out', part: 'step-ups', name: '' },
  )
}

type Bounds = Pick<Response, 'floor' | 'ceiling'>

/** The cut-out as asked where it can be set; where it is built in it acts whether asked or not, and what is given may stand. It is never given for
 *  a floor, and says nothing where the floor lies above it. */
export function withCutOut(
  { cutOut: asked, stages }: Response,
  model: ControllerModel,
  bounds: Bounds,
  valueOf: ValueOf,
): Given<Bounds & Pick<Response, 'cutOut'>> {
  const has = model.abilities?.cutOut
  const set = asked && {
    offBelowPct: valueOf('cutOut.offBelowPct', 1) ?? asked.offBelowPct,
    backAtPct: valueOf('cutOut.backAtPct', 1) ?? asked.backAtPct,
  }
  const figures = has === 'set' ? set : has
  const { floor, ceiling } = bounds
  const isLost = asked !== undefined && (figures === undefined || (has === 'set' && !floor.offAllowed))
  if (stages || !figures || (has === 'set' && !floor.offAllowed))
    return given(bounds, isLost && { kind: 'part-left-out', part: 'cut-out', name: '' })
  if (floor.speedPct >= figures.backAtPct && !floor.offAllowed) return given(bounds)
  const backAtPct = Math.min(figures.backAtPct, ceiling.speedPct)
  const cutOut = { offBelowPct: Math.min(figures.offBelowPct, backAtPct), backAtPct }
  const isOther = asked?.offBelowPct !== cutOut.offBelowPct || asked.backAtPct !== cutOut.backAtPct
  return given(
    { floor: { ...floor, offAllowed: true }, ceiling, cutOut },
    has !== 'set' && isOther && { kind: 'cut-out-built-in', ...cutOut },
  )
}

/** Limits of the night inside those of the day, where the controller has them and tells day from night. */
export function withNightLimits(
  response: Response,
  model: ControllerModel,
  { floor, ceiling }: Bounds,
  { light, dayByWeek, stages }: Partial<Response>,
  valueOf: ValueOf,
): Given<Bounds> {
  const { nightPct: lowest, ...dayFloor } = floor
  const { nightPct: highest } = response.ceiling
  if (lowest === undefined && highest === undefined) return given({ floor, ceiling })
  if (!model.abilities?.nightLimits || !(light ?? dayByWeek))
    return given({ floor: dayFloor, ceiling }, { kind: 'part-left-out', part: 'night-limits', name: '' })
  const within = (pct: number): number => Math.min(ceiling.speedPct, Math.max(stages ? 0 : floor.speedPct, pct))
  const low = lowest === undefined ? undefined : within(valueOf('night.floorPct', 1) ?? lowest)
  const high = highest === undefined ? undefined : Math.max(low ?? 0, within(valueOf('night.ceilingPct', 1) ?? highest))
  return given({
    floor: { ...dayFloor, ...(low === undefined ? {} : { nightPct: low }) },
    ceiling: { ...ceiling, ...(high === undefined ? {} : { nightPct: high }) },
  })
}

/** The wait after power came, as set or as it is built in. */
export function givePowerReturn(
  { powerReturn }: Response,
  model: ControllerModel,
  valueOf: ValueOf,
): Given<Response['powerReturn']> {
  const has = model.abilities?.powerReturnS
  if (has === undefined)
    return given(undefined, powerReturn !== undefined && { kind: 'part-left-out', part: 'power-return', name: '' })
  if (has !== 'set') return given(has === 0 ? undefined : { waitS: has })
  const waitS = valueOf('powerReturn.waitS', 1) ?? powerReturn?.waitS ?? 0
  return given(waitS > 0 ? { waitS } : undefined)
}
