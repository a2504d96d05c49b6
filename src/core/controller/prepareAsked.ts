import { given, givenList, type Given } from '@/core/controller/given'
import type { Loss } from '@/core/controller/loss'
import type { ControllerModel } from '@/core/controller/schema'
import { isInSkipBand } from '@/core/machine/givable'
import type { SkipBand, Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
import type { Ramp } from '@/core/rules/ramp'
import { ruleInputId, ruleKind, type Rule } from '@/core/rules/table'

/** An offset the controller cannot hold goes into the points: what starts at 20 with a probe that reads 1 low starts at 19 of its own. */
function offsetsIntoPoints(response: Response): Given<Response> {
  const offInputs = response.inputs.filter(isMeasured).filter(({ offset = 0 }) => offset !== 0)
  if (offInputs.length === 0) return given(response)
  const offsetOf = (rule: Rule): number => offInputs.find(({ id }) => id === ruleInputId(rule))?.offset ?? 0
  const prepared = {
    ...response,
    inputs: response.inputs.map((input) => {
      if (!isMeasured(input)) return input
      const { offset: _offset, ...without } = input
      return without
    }),
    rules: response.rules.map((rule) => {
      const by = offsetOf(rule)
      return by === 0 ? rule : ruleKind(rule).movedBy(rule, -by)
    }),
  }
  return given(
    prepared,
    ...offInputs.map(({ id, offset = 0 }): Loss => ({ kind: 'offset-in-points', input: id, offset })),
  )
}

/** A speed that would rest in one of these bands moves out of it. */
function moved(what: string, askedPct: number, way: 'up' | 'down', bands: readonly SkipBand[]): Given<number> {
  const band = bands.find((candidate) => isInSkipBand(candidate, askedPct))
  if (!band) return given(askedPct)
  const givenPct = way === 'up' ? band.toPct : band.fromPct
  return given(givenPct, { kind: 'off-skip-band', what, band, askedPct, givenPct })
}

/** A ramp with its ends out of these bands. One that would cross a band starts above it where its foot may be its own. */
function rampOffBands(ramp: Ramp, bands: readonly SkipBand[], floorPct: number, ownFoot: boolean): Given<Ramp> {
  const from = ramp.fromPct > floorPct ? moved(ramp.id, ramp.fromPct, 'up', bands) : given(ramp.fromPct)
  const to = moved(ramp.id, ramp.toPct, 'up', bands)
  const onEdges = { ...ramp, fromPct: from.value, toPct: to.value }
  const losses = [...from.losses, ...to.losses]
  const lowest = Math.max(onEdges.fromPct, floorPct)
  const crossed = bands.filter(({ fromPct, toPct }) => lowest <= fromPct && onEdges.toPct >= toPct)
  const top = crossed.at(-1)
  if (!top) return given(onEdges, ...losses)
  if (!ownFoot)
    return given(
      onEdges,
      ...losses,
      ...crossed.map((band): Loss => ({ kind: 'crosses-skip-band', rule: ramp.id, band })),
    )
  return given({ ...onEdges, fromPct: top.toPct, below: 'nothing' }, ...losses, {
    kind: 'off-skip-band',
    what: ramp.id,
    band: top,
    askedPct: onEdges.fromPct,
    givenPct: top.toPct,
  })
}

/** Any other rule with each of its speeds out of these bands. */
function ruleOffBands(rule: Rule, bands: readonly SkipBand[]): Given<Rule> {
  const kind = ruleKind(rule)
  const moving = kind.speeds(rule).map(({ pct }) => moved(rule.id, pct, 'up', bands))
  const clear = kind.withSpeeds(rule, (pct) => moved(rule.id, pct, 'up', bands).value)
  return given(clear, ...moving.flatMap(({ losses }) => losses))
}

/** Speeds that would rest in a band the controller cannot skip move out of it: up, a ceiling down. */
function offSkipBands(response: Response, model: ControllerModel, bands: readonly SkipBand[]): Given<Response> {
  const floor = moved('floor', response.floor.speedPct, 'up', bands)
  const ceiling = moved('ceiling', response.ceiling.speedPct, 'down', bands)
  const ownFoot = model.ramps.some(({ from, below }) => from === 'own' && below === 'nothing')
  const rules = givenList(
    response.rules.map((rule): Given<Rule> => {
      if (rule.off) return given(rule)
      return 'fromPct' in rule ? rampOffBands(rule, bands, floor.value, ownFoot) : ruleOffBands(rule, bands)
    }),
  )
  const prepared = {
    ...response,
    floor: { ...response.floor, speedPct: floor.value },
    ceiling: { ...response.ceiling, speedPct: Math.max(ceiling.value, floor.value) },
    rules: rules.value,
  }
  return given(prepared, ...floor.losses, ...ceiling.losses, ...rules.losses)
}

/** What is asked, put in terms this controller can be set to. */
export function prepareAsked(response: Response, model: ControllerModel): Given<Response> {
  const { offsets = false, skipBands = 0 } = model.abilities ?? {}
  const bands = response.skipBands ?? []
  const withOffsets = offsets ? given(response) : offsetsIntoPoints(response)
  if (bands.length <= skipBands) return withOffsets
  const off = offSkipBands(withOffsets.value, model, bands.slice(skipBands))
  return given(off.value, ...withOffsets.losses, ...off.losses)
}
