import type { Judge, Judgement } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { answerReader } from '@/core/duty/plan'
import { roleOf } from '@/core/duty/role'
import { stoveFlue } from '@/core/duty/stoveFlue'
import type { Installation } from '@/core/installation/installation'
import { pointsOn } from '@/core/machine/pointsOn'

type Hot = { readonly atC: number; readonly why: 'rules' | 'firing'; readonly path: string }

/** The hottest that the place of a probe sees, as far as the documents tell. */
function hottest({ brief, response }: Installation, inputId: string): Hot | null {
  const input = response.inputs.find(({ id }) => id === inputId)
  if (!input) return null
  const points = pointsOn(response, inputId).map((atC): Hot => {
    const index = response.rules.findIndex((rule) => !rule.off && 'input' in rule && rule.input === inputId)
    return { atC, why: 'rules', path: index < 0 ? 'response.rules' : `response.rules.${index}` }
  })
  const role = roleOf(input, { brief, response })
  const isFire = brief.duty === 'stove-flue' && (role === 'flue' || role === 'shell')
  const firing =
    isFire && brief.answers?.hardest !== undefined ? answerReader(stoveFlue, brief).number('hardest') : null
  const hot = [
    ...points,
    ...(firing === null ? [] : [{ atC: firing, why: 'firing' as const, path: 'brief.answers.hardest' }]),
  ].sort((a, b) => b.atC - a.atC)
  return hot[0] ?? null
}

/** A probe in a place hotter than it survives, or whose rules wait for a heat that it does not live to see. */
export const probeOverLimit: Judge = (installation) =>
  installation.kit.probes.flatMap((probe): Judgement[] => {
    const { survivesToC } = probe
    if (survivesToC === null || probe.quantity !== 'temperature') return []
    const hot = hottest(installation, probe.input)
    if (!hot || hot.atC < survivesToC) return []
    return [
      {
        id: `probe-over-limit-${probe.id}`,
        severity: installation.brief.answers?.moves === 'flue' ? 'hurts' : 'fails',
        path: hot.path,
        says: says('probe-over-limit', { probe: probe.name, survivesToC, hotC: hot.atC, why: hot.why }),
        figure: { value: hot.atC - survivesToC, worse: 1, step: 1 },
        cure: null,
      },
    ]
  })
