import { MOST_CYCLES_AN_HOUR, MOST_STARTS_AN_HOUR } from '@/core/kit/wear'
import { fanFlowLs } from '@/core/derive/derive'
import { withResponse, type Judge, type Judgement } from '@/core/advise/judgement'
import { says, type Says } from '@/core/advise/words'
import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'
import { pulsesOf, type Rule } from '@/core/rules/table'
import { ruleName } from '@/core/sentences/words'

/** Air, walls and contents against the air alone; common practice, no source. */
const CONTENTS = 5
const AIR_J_PER_M3K = HEAT_OF_AIR_J_PER_LK * 1000

/** Most starts an hour of an on/off control over a band, reached where it runs half the time: ΔQ ÷ (4 C d).
 *  Source: reference-values `sim.maxStarts`, derived from the energy balance of one lump. */
export const mostStartsAnHour = (deltaW: number, capacityJK: number, bandK: number): number =>
  (deltaW / (4 * capacityJK * bandK)) * 3600

/** A fan that stands between its runs and is started more often than its motor should be: by a short cycle, or by a differential too small
 *  for the space. */
export const startsTooOften: Judge = (installation, { lead, given }) => {
  const { response } = given
  if (!response.floor.offAllowed) return []
  const often = (rule: Rule, starts: number, words: Says, cure: Judgement['cure']): Judgement => ({
    id: `starts-too-often-${rule.id}`,
    severity: 'wears',
    path: `response.rules.${installation.response.rules.findIndex(({ id }) => id === rule.id)}`,
    says: words,
    figure: { value: starts, worse: 1, step: 1 },
    cure,
  })
  const { volumeM3, allowedRiseK } = installation.brief.space
  return response.rules.flatMap((rule): Judgement[] => {
    if (rule.off) return []
    const pulses = pulsesOf(rule)
    if (pulses) {
      const starts = 3600 / pulses.periodS
      const facts = { rule: ruleName(response, rule), starts, most: MOST_CYCLES_AN_HOUR, periodS: pulses.periodS }
      return starts > MOST_CYCLES_AN_HOUR && pulses.onS < pulses.periodS
        ? [often(rule, starts, says('starts-too-often-cycle', facts), longer(rule.id))]
        : []
    }
    if (!('offAt' in rule) || rule.minOnS + rule.minOffS >= 3600 / MOST_STARTS_AN_HOUR) return []
    if (response.inputs.find(({ id }) => id === rule.input)?.kind !== 'temperature') return []
    const flowLs = lead && fanFlowLs(lead, rule.speedPct)
    const bandK = Math.abs(rule.onAt - rule.offAt)
    if (flowLs === null || volumeM3 === null || allowedRiseK === null || bandK === 0) return []
    const starts = mostStartsAnHour(
      HEAT_OF_AIR_J_PER_LK * flowLs * allowedRiseK,
      AIR_J_PER_M3K * volumeM3 * CONTENTS,
      bandK,
    )
    const facts = { rule: ruleName(response, rule), starts, most: MOST_STARTS_AN_HOUR, bandK }
    return starts > MOST_STARTS_AN_HOUR
      ? [often(rule, starts, says('starts-too-often-band', facts), leastTimes(rule.id))]
      : []
  })
}

const longer = (id: string): Judgement['cure'] => ({
  apply: (installation) =>
    withResponse(installation, {
      rules: installation.response.rules.map((rule) =>
        rule.id === id && 'periodS' in rule
          ? { ...rule, onS: Math.round((rule.onS / rule.periodS) * 360), periodS: 360 }
          : rule,
      ),
    }),
})

const leastTimes = (id: string): Judgement['cure'] => ({
  apply: (installation) =>
    withResponse(installation, {
      rules: installation.response.rules.map((rule) =>
        rule.id === id && 'minOnS' in rule ? { ...rule, minOnS: 180, minOffS: 180 } : rule,
      ),
    }),
})
