import { isPart } from '@/core/controller/schema'
import { settingValueText } from '@/core/controller/settingText'
import { derive, type Derived } from '@/core/derive/derive'
import { settingsList } from '@/core/installation/settingsList'
import { branchesAgainst } from '@/core/look/curve'
import { fanFlowLs } from '@/core/derive/derive'
import { fanSignal } from '@/core/kit/fanSignal'
import { signalAt } from '@/core/physics/signal'
import { signalText } from '@/core/physics/signalText'
import { quietInputs } from '@/core/machine/quietInputs'
import { formatQuantity, preferredUnit } from '@/core/quantity/format'
import { fromBase } from '@/core/quantity/units'
import { outageItems } from '@/core/record/afterOutage'
import { paperHead, type PaperHead } from '@/core/record/paperHead'
import type { Sealed } from '@/core/record/sealed'
import type { Machine } from '@/core/machine/compile'
import { inputQuantity, isMeasured, type MeasuredInput } from '@/core/rules/input'
import type { Cause } from '@/core/rules/kind'
import { inputCause } from '@/core/rules/sentence'
import { boostOf, ruleInputId, ruleKind, type Rule } from '@/core/rules/table'
import { behaviourSentences } from '@/core/record/behaviourSentences'

/** A speed of the rail with what a meter and a hood would show. */
export type CardSpeed = { readonly name: string; readonly pct: number; readonly shows: string }

/** The speed against what it answers to, in the reader’s unit. */
export type CardCurve = {
  readonly input: string
  readonly unit: string
  readonly cause: Cause
  readonly fan: string
  readonly points: readonly (readonly [x: number, pct: number])[]
  /** Where the way down is another. */
  readonly down: readonly (readonly [x: number, pct: number])[] | null
  /** The points its rule is set to. */
  readonly corners: readonly (readonly [x: number, pct: number])[]
}

export type BoxCard = PaperHead & {
  readonly startPct: number | null
  readonly speeds: readonly CardSpeed[]
  readonly curve: CardCurve | null
  readonly settings: readonly { readonly name: string; readonly value: string }[]
  readonly sentences: readonly string[]
  readonly lamps: readonly { readonly shows: string; readonly means: string; readonly urgent: boolean }[]
  readonly outage: readonly string[]
}

/** The points that a rule is set to, with the speed at each: what a person compares a display with. */
const cornersOf = (machine: Machine, input: MeasuredInput, rule: Rule): (readonly [x: number, pct: number])[] => {
  const inputs = machine.inputsFrom(quietInputs(machine.response))
  const at = machine.inputIds.indexOf(input.id)
  return [...new Set(ruleKind(rule).points(rule))].map((x) => {
    inputs[at] = x
    return [x, machine.settledState(inputs).fansPct[0]!] as const
  })
}

function speedsOf({ document, preference }: Sealed, derived: Derived): CardSpeed[] {
  const { response } = derived.given
  const { lead } = derived
  const boost = boostOf(response.rules)
  const shows = (pct: number): string => {
    if (!lead) return ''
    const flow = fanFlowLs(lead, pct)
    return [
      signalText(signalAt(fanSignal(lead.fan, response), pct), preference),
      ...(flow === null ? [] : [formatQuantity(flow, 'flow', preference)]),
    ].join(' · ')
  }
  const speed = (name: string, pct: number): CardSpeed => ({ name, pct, shows: shows(pct) })
  const { floor, ceiling } = response
  return [
    speed(document.response.floor.offAllowed ? 'lowest running' : 'lowest', floor.speedPct),
    ...(boost && boost.speedPct < ceiling.speedPct ? [speed('boost', boost.speedPct)] : []),
    speed(boost && boost.speedPct >= ceiling.speedPct ? 'boost, highest' : 'highest', ceiling.speedPct),
  ]
}

function curveOf({ preference }: Sealed, { given, lead }: Derived): CardCurve | null {
  const { machine, response } = given
  if (!machine) return null
  // What the first rule that is in force answers to; a switch or a clock alone has no curve.
  const measured = response.rules
    .filter(({ off }) => !off)
    .map((rule) => ({ rule, input: response.inputs.find(({ id }) => id === ruleInputId(rule)) }))
    .find(({ input }) => input !== undefined && isMeasured(input))
  if (!measured?.input || !isMeasured(measured.input)) return null
  const { input } = measured
  const quantity = inputQuantity(input)
  const unit = preferredUnit(quantity, preference)
  const { up, down, differ } = branchesAgainst(machine, input, quietInputs(response))
  const shown = (points: typeof up) => points.map(({ x, pct }) => [fromBase(unit, x), pct] as const)
  const points = shown(up)
  return {
    input: input.name,
    unit: unit.symbol,
    cause: ruleKind(measured.rule).cause(input) ?? inputCause(input),
    fan: lead?.fan.name ?? 'fan',
    points,
    down: differ ? shown(down) : null,
    corners: cornersOf(machine, input, measured.rule).map(([x, pct]) => [fromBase(unit, x), pct] as const),
  }
}

/** Everything on the card for the box. */
export function boxCard(sealed: Sealed): BoxCard {
  const { document, preference } = sealed
  const derived = derive(document)
  const { controller } = document.kit
  return {
    ...paperHead(sealed),
    startPct: derived.lead?.startPct ?? null,
    speeds: speedsOf(sealed, derived),
    curve: curveOf(sealed, derived),
    settings:
      controller && derived.fit
        ? settingsList(controller, derived.fit, document.dial).flatMap(({ setting, wanted }) =>
            wanted === null || !isPart(setting)
              ? []
              : [{ name: setting.name, value: settingValueText(setting, wanted, preference) }],
          )
        : [],
    sentences: behaviourSentences(document, preference),
    lamps: (controller?.signals ?? []).map(({ shows, means, urgent = false }) => ({ shows, means, urgent })),
    // What is surely kept needs nobody.
    outage: outageItems(document, derived, preference)
      .filter(({ id }) => id !== 'kept')
      .map(({ text }) => text),
  }
}
