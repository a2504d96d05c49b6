import { flowLsAt } from '@/core/calibration/flowMap'
import { evaluating, type Judgement } from '@/core/advise/judgement'
import { airAt, atRest, CLEARLY_PCT, leastOver, principalInputs, rangeOf, with_ } from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import type { Derived } from '@/core/derive/derive'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import type { Installation } from '@/core/installation/installation'
import type { Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
import { highestAskPct, ruleInputId, ruleKind } from '@/core/rules/table'

/** Whether something answers to a rise, or to being past a point, that is no level of speed: a quick rise, a bypass, a shutter. */
const answersOtherwise = ({ rules, otherOutputs = [] }: Response, ids: ReadonlySet<string>): boolean =>
  rules.some((rule) => !rule.off && ruleKind(rule).trigger === 'rise' && ids.has(ruleInputId(rule) ?? '')) ||
  otherOutputs.some(
    ({ kind, onWhen }) =>
      (kind === 'bypass' || kind === 'shutter') &&
      onWhen.some((condition) => condition.kind === 'input' && ids.has(condition.input)),
  )

/** Whether the air that always runs carries the heat: full anyway, or as much as is wanted by the map. */
function isCarriedSteadily({ brief, response }: Installation, { lead }: Derived, restPct: number): boolean {
  if (restPct >= response.ceiling.speedPct - 0.5) return true
  const map = lead?.flow?.kind === 'map' ? lead.flow.map : null
  const plan = DUTY_PLANS[brief.duty]
  const { most } = plan.follows(answerReader(plan, brief))
  const wantedLs = most?.flowLs ?? brief.requiredFlow?.flowLs ?? null
  return map !== null && wantedLs !== null && restPct > 0 && flowLsAt(map, restPct) >= 0.98 * wantedLs
}

/** Whether something that is no probe brings all of the air: a contact of what makes the heat, a clock, a main controller that asks by volts. */
const isDrivenOtherwise = ({ rules, inputs }: Response, ceilingPct: number): boolean =>
  rules.some((rule) => {
    const { trigger } = ruleKind(rule)
    const isAsked = trigger === 'contact' || inputs.find(({ id }) => id === ruleInputId(rule))?.kind === 'volts'
    return !rule.off && (trigger === 'clock' || (isAsked && highestAskPct(rule) >= ceilingPct - 0.5))
  })

/** A limit in the brief, a probe that reads it, and nothing that answers: automatics switched off “to be sure” took the protection with them.
 *  A limit that nothing reads is judged only for heat, where nothing at all is automatic. */
export const nothingProtects = evaluating((where, installation, derived) => {
  const { brief, response } = installation
  // A curtain holds warm, a stove is looked at by what its fan moves.
  if (brief.duty === 'door-curtain' || brief.duty === 'stove-flue') return []
  const rest = atRest(where)
  return brief.targets.flatMap(({ quantity, limitAbove }, index): Judgement[] => {
    if (limitAbove === null) return []
    const probes = principalInputs(where, quantity)
    const [first] = probes
    const ids = new Set([
      ...probes.map(({ id }) => id),
      ...response.inputs.flatMap((input) =>
        isMeasured(input) && input.combines?.of.some((id) => probes.some((probe) => probe.id === id)) ? [input.id] : [],
      ),
    ])
    const wasSwitchedOff = response.rules.some((rule) => rule.off && 'input' in rule && ids.has(rule.input))
    // A home is kept from overheating by its bypass, a humidity nobody reads by its base.
    if (!wasSwitchedOff && (brief.duty === 'balanced' || (!first && quantity === 'humidity'))) return []
    const answers = first
      ? Math.abs(
          airAt(where, with_(rest, probes, rangeOf(where.machine.response, first)[1])) -
            airAt(where, with_(rest, probes, rangeOf(where.machine.response, first)[0])),
        ) > CLEARLY_PCT || answersOtherwise(where.machine.response, ids)
      : isDrivenOtherwise(response, response.ceiling.speedPct)
    if (answers) return []
    const restPct = leastOver(where, (moment) => airAt(where, moment)).value
    if (isCarriedSteadily(installation, derived, restPct)) return []
    return [
      {
        id: `nothing-protects-${quantity}-${index}`,
        severity: quantity === 'temperature' ? 'hurts' : 'fails',
        path: `brief.targets.${index}`,
        says: says('nothing-protects', { quantity, limit: limitAbove }),
        cure: null,
      },
    ]
  })
})
