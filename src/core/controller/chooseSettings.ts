import type { Duty } from '@/core/brief/duty'
import type { Loss } from '@/core/controller/loss'
import { nearestValue, valuesNear } from '@/core/controller/nearestValue'
import { safeSide } from '@/core/controller/safeSide'
import type { ControllerModel, Meaning, Setting } from '@/core/controller/schema'
import { ruleKindOf, slotKind } from '@/core/controller/slots/table'
import { wantedValue, type Assignment } from '@/core/controller/wanted'
import type { Ramp, Response, Rule } from '@/core/response/schema'

const NEAR = 1e-6
const SAMPLES = 64
/** Widths before the points that are counted from them. */
const isWidth = ({ means }: Setting): boolean => means === 'differential.width' || means === 'ramp.span'

type Choice = { asked: number | null; given: number; because: string }

/** Speed of a ramp at `x`, its ends held either side. */
const rampAt = (
  { startAt, fullAt, fromPct, toPct }: Pick<Ramp, 'startAt' | 'fullAt' | 'fromPct' | 'toPct'>,
  x: number,
) => fromPct + (toPct - fromPct) * Math.min(1, Math.max(0, (x - startAt) / (fullAt - startAt)))

/** Where start and span of a ramp cannot both be had, the pair of neighbours whose ramp lies nearest to the one asked and nowhere gives
 *  less air: one's rounding makes good the other's. Null where no pair does better than the safe side alone. */
function pairFor(ramp: Ramp, start: Setting, span: Setting): { startAt: number; span: number } | null {
  const way = ramp.fullAt > ramp.startAt ? 1 : -1
  // Its shape alone: its ends may follow floor and ceiling, which are chosen elsewhere.
  const shape = { ...ramp, ...(ramp.toPct < ramp.fromPct ? { fromPct: 100, toPct: 0 } : { fromPct: 0, toPct: 100 }) }
  const askedSpan = Math.abs(ramp.fullAt - ramp.startAt)
  const [low, high] = [ramp.startAt - 2 * askedSpan, ramp.fullAt + 2 * askedSpan].sort((a, b) => a - b) as [
    number,
    number,
  ]
  let best: { startAt: number; span: number; off: number } | null = null
  for (const width of valuesNear(span, askedSpan)) {
    if (!(width > 0)) continue
    // Near where it should start, and near where it must to be full in time.
    const starts = [...valuesNear(start, ramp.startAt), ...valuesNear(start, ramp.fullAt - way * width)]
    for (const startAt of starts) {
      const candidate = { ...shape, startAt, fullAt: startAt + way * width }
      const more = (x: number): number => rampAt(candidate, x) - rampAt(shape, x)
      // Between two of their corners both are straight, so the least of the difference lies at a corner.
      const isLess = [shape.startAt, shape.fullAt, candidate.startAt, candidate.fullAt].some((x) => more(x) < -NEAR)
      let off = 0
      for (let index = 0; index <= SAMPLES; index++) off += Math.abs(more(low + ((high - low) * index) / SAMPLES))
      if (!isLess && (!best || off < best.off - NEAR)) best = { startAt, span: width, off }
    }
  }
  return best
}

const SENSING: readonly Rule['kind'][] = ['ramp', 'differential', 'surge', 'after-run']

/** Slots left empty that act all the same, because their input is there and no setting of theirs switches them off. */
function unaskedIn(response: Response, model: ControllerModel, { inSlots }: Assignment): Loss[] {
  return SENSING.flatMap((kind) => {
    const slots = slotKind(kind).slots(model) as readonly { readonly input: string }[]
    return slots.flatMap(({ input: inputKind }, index): Loss[] => {
      const input = response.inputs.find(({ kind: candidate }) => candidate === inputKind)
      const canBeOff = model.settings.some(
        ({ means, slot, off }) => ruleKindOf(means) === kind && slot === index + 1 && off !== undefined,
      )
      return inSlots.get(kind)?.[index] || !input || canBeOff
        ? []
        : [{ kind: 'unasked', rule: kind, input: input.name }]
    })
  })
}

/** What every setting is put to: the asked value on the safe side, or what does nothing (its
 *  default where it has no such value) where nothing speaks of it. */
export function chooseSettings(
  response: Response,
  model: ControllerModel,
  duty: Duty,
  assignment: Assignment,
  sides: Partial<Record<Meaning, 'up' | 'down'>>,
) {
  const choices = new Map<Setting, Choice>()
  const settingFor = (means: Meaning, slot: number) =>
    model.settings.find((candidate) => candidate.means === means && candidate.slot === slot)
  const valueOf = (means: Meaning, slot: number): number | undefined => {
    const setting = settingFor(means, slot)
    return setting && choices.get(setting)?.given
  }
  const lowerIsMore = ({ means, slot }: Setting): boolean => {
    const kind = ruleKindOf(means)
    const rule = kind && assignment.inSlots.get(kind)?.[slot - 1]
    return rule ? slotKind(rule.kind).lowerIsMore(rule) : true
  }
  const inOrder = [...model.settings].sort((a, b) => Number(isWidth(b)) - Number(isWidth(a)))
  for (const setting of inOrder) {
    const asked = wantedValue(setting, response, model, assignment, (means) => valueOf(means, setting.slot))
    const side = safeSide(setting.means, duty, lowerIsMore(setting))
    choices.set(setting, {
      asked,
      given:
        asked === null
          ? (setting.off ?? setting.default)
          : nearestValue(setting, asked, sides[setting.means] ?? side.towards),
      because: side.because,
    })
  }
  const isOff = (setting: Setting): boolean => {
    const { asked, given } = choices.get(setting)!
    return asked !== null && Math.abs(asked - given) > NEAR
  }
  assignment.inSlots.get('ramp')?.forEach((rule, index) => {
    const start = settingFor('ramp.startAt', index + 1)
    const span = settingFor('ramp.span', index + 1)
    if (rule?.kind !== 'ramp' || !start || !span || !(isOff(start) || isOff(span))) return
    const pair = pairFor(rule, start, span)
    if (!pair) return
    const because = 'start and band were chosen together: nearest to what was asked, and nowhere less air'
    choices.set(start, { ...choices.get(start)!, given: pair.startAt, because })
    choices.set(span, { ...choices.get(span)!, given: pair.span, because })
  })

  const losses = model.settings.flatMap((setting): Loss[] => {
    const { asked, given, because } = choices.get(setting)!
    if (asked === null) return []
    if (asked < setting.min - NEAR || asked > setting.max + NEAR)
      return [{ kind: 'beyond-range', setting, asked, given }]
    return Math.abs(given - asked) > NEAR ? [{ kind: 'rounded', setting, asked, given, because }] : []
  })
  losses.push(...unaskedIn(response, model, assignment))
  return {
    settings: model.settings.map((setting) => ({ setting: setting.id, value: choices.get(setting)!.given })),
    losses,
    valueOf,
  }
}
