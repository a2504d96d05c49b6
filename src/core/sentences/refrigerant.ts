import { keysOf } from '@/core/json/path'
import { REFRIGERANTS, saturationC, type Refrigerant } from '@/core/physics/saturation'
import { formatQuantity } from '@/core/quantity/format'
import { isMeasured } from '@/core/rules/input'
import { text } from '@/core/rules/kind'
import { inputName, inputOf } from '@/core/rules/sentence'
import { ruleInputId, ruleKind } from '@/core/rules/table'
import type { BehaviourKind } from '@/core/sentences/behaviour'

const inputAt = (place: string): string => keysOf(place)[1] ?? ''
const PA_IN_KPA = 1000
/** A gauge reads over the air around it; standard air, kPa. */
const AIR_KPA = 101.325

/** Saturation at a gauge pressure, °C; null outside the table. Source: the curves of reference-values `refrigerant.saturation`. */
function saturatedAt(refrigerant: string, gaugePa: number): number | null {
  const known = REFRIGERANTS.find((fluid) => fluid === refrigerant)
  const at = known && saturationC(known, 'dew', gaugePa / PA_IN_KPA + AIR_KPA)
  return at === undefined || !Number.isFinite(at) ? null : at
}

/** Which refrigerant a pressure is of: its points are said as saturation too. */
export const refrigerant: BehaviourKind<Refrigerant> = {
  places: ({ inputs }) =>
    inputs.flatMap((input) =>
      isMeasured(input) && input.refrigerant !== undefined ? [`inputs.${input.id}.refrigerant`] : [],
    ),
  name: (_value, { response }, place) => `refrigerant of ${inputName(response, inputAt(place))}`,
  cause: () => 'pressure',
  sentence(value, { response, preference }, place) {
    const id = inputAt(place)
    const points = response.rules
      .filter((rule) => ruleInputId(rule) === id)
      .flatMap((rule) => ruleKind(rule).points(rule))
    const said = points.flatMap((pa) => {
      const at = saturatedAt(value, pa)
      return at === null
        ? []
        : [
            `${formatQuantity(pa / PA_IN_KPA, 'gaugePressure', preference)} is ${formatQuantity(at, 'temperature', preference)} saturated`,
          ]
    })
    return [
      { kind: 'input', name: inputOf(response, id)?.name ?? id },
      text(' is the gauge pressure of '),
      {
        kind: 'choice',
        path: '',
        label: 'refrigerant',
        value,
        options: REFRIGERANTS.map((fluid) => [fluid, fluid] as const),
      },
      text(said.length > 0 ? `: ${said.join(', ')}.` : '.'),
    ]
  },
  now: () => 'always',
  why: () => ({
    formula: 'saturation at gauge pressure + 101.3 kPa, dew side',
    source: 'the refrigerant curves of the calculations',
  }),
  offers: ({ response }) =>
    response.inputs.flatMap((input) =>
      input.kind === 'pressure' && input.refrigerant === undefined
        ? [
            {
              sentence: `Say which refrigerant ${input.name} is of`,
              words: 'refrigerant saturation pressure head condensing',
              add: ({ response: draft }) => {
                const held = draft.inputs.find(({ id }) => id === input.id)
                if (held?.kind === 'pressure') held.refrigerant = REFRIGERANTS[0]!
              },
            },
          ]
        : [],
    ),
}
