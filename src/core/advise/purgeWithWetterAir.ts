import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { growRoom } from '@/core/duty/growRoom'
import { answerReader } from '@/core/duty/plan'
import { humidityRatio } from '@/core/physics/moistAir'
import { ruleInputId } from '@/core/rules/table'
import { ruleName } from '@/core/sentences/words'

/** Humidity control by outside air works only while the air outside holds less water. */
export const purgeWithWetterAir: Judge = ({ brief, response }) => {
  if (brief.duty !== 'grow-room') return []
  const answers = answerReader(growRoom, brief)
  const [temp, damp, air, airDamp] = [
    answers.number('temp'),
    answers.number('damp'),
    answers.number('air'),
    answers.number('airDamp'),
  ]
  if (temp === null || damp === null || air === null || airDamp === null) return []
  const [insideGKg, outsideGKg] = [humidityRatio(temp, damp) * 1000, humidityRatio(air, airDamp) * 1000]
  if (outsideGKg < insideGKg) return []
  return response.rules.flatMap((rule, index) => {
    const input = response.inputs.find(({ id }) => id === ruleInputId(rule))
    if (rule.off || input?.kind !== 'humidity') return []
    return [
      {
        id: `purge-wetter-${rule.id}`,
        severity: 'fails' as const,
        path: `response.rules.${index}`,
        says: says('purge-wetter', { rule: ruleName(response, rule), outsideGKg, insideGKg }),
        cure: null,
      },
    ]
  })
}
