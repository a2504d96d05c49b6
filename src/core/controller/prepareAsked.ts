import type { Loss } from '@/core/controller/loss'
import type { ControllerModel } from '@/core/controller/schema'
import { isInSkipBand } from '@/core/machine/givable'
import type { SkipBand, Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
import { ruleInputId, ruleKind, type Rule } from '@/core/rules/table'

/** An offset the controller cannot hold goes into the points: what starts at 20 with a probe that reads 1 low starts at 19 of its own. */
function offsetsIntoPoints(response: Response, losses: Loss[]): Response {
  const moved = response.inputs.filter(isMeasured).filter(({ offset = 0 }) => offset !== 0)
  if (moved.length === 0) return response
  for (const { id, offset = 0 } of moved) losses.push({ kind: 'offset-in-points', input: id, offset })
  const offsetOf = (rule: Rule): number => moved.find(({ id }) => id === ruleInputId(rule))?.offset ?? 0
  return {
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
}

/** Speeds that would rest in a band the controller cannot skip move out of it: up, a ceiling down. A ramp that would cross it starts above
 *  it where its foot is its own and it may ask for nothing before. */
function offSkipBands(
  response: Response,
  model: ControllerModel,
  bands: readonly SkipBand[],
  losses: Loss[],
): Response {
  const move = (what: string, askedPct: number, way: 'up' | 'down'): number => {
    const band = bands.find((candidate) => isInSkipBand(candidate, askedPct))
    if (!band) return askedPct
    const givenPct = way === 'up' ? band.toPct : band.fromPct
    losses.push({ kind: 'off-skip-band', what, band, askedPct, givenPct })
    return givenPct
  }
  const floorPct = move('floor', response.floor.speedPct, 'up')
  const ceilingPct = move('ceiling', response.ceiling.speedPct, 'down')
  const ownFoot = model.ramps.some(({ from, below }) => from === 'own' && below === 'nothing')
  return {
    ...response,
    floor: { ...response.floor, speedPct: floorPct },
    ceiling: { ...response.ceiling, speedPct: Math.max(ceilingPct, floorPct) },
    rules: response.rules.map((rule): Rule => {
      if (rule.off) return rule
      if (!('fromPct' in rule)) return ruleKind(rule).withSpeeds(rule, (pct) => move(rule.id, pct, 'up'))
      const ramp = {
        ...rule,
        fromPct: rule.fromPct > floorPct ? move(rule.id, rule.fromPct, 'up') : rule.fromPct,
        toPct: move(rule.id, rule.toPct, 'up'),
      }
      const lowest = Math.max(ramp.fromPct, floorPct)
      const crossed = bands.filter(({ fromPct, toPct }) => lowest <= fromPct && ramp.toPct >= toPct)
      const top = crossed[crossed.length - 1]
      if (!top) return ramp
      if (!ownFoot) {
        for (const band of crossed) losses.push({ kind: 'crosses-skip-band', rule: rule.id, band })
        return ramp
      }
      losses.push({ kind: 'off-skip-band', what: rule.id, band: top, askedPct: ramp.fromPct, givenPct: top.toPct })
      return { ...ramp, fromPct: top.toPct, below: 'nothing' }
    }),
  }
}

/** What is asked, put in terms this controller can be set to. */
export function prepareAsked(response: Response, model: ControllerModel, losses: Loss[]): Response {
  const { offsets = false, skipBands = 0 } = model.abilities ?? {}
  const bands = response.skipBands ?? []
  const withOffsets = offsets ? response : offsetsIntoPoints(response, losses)
  if (bands.length <= skipBands) return withOffsets
  return offSkipBands(withOffsets, model, bands.slice(skipBands), losses)
}
