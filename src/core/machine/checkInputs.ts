import type { Problem } from '@/core/json/problem'
import { inputProblems } from '@/core/machine/checkConditions'
import { pointsOn } from '@/core/machine/pointsOn'
import { REFRIGERANTS } from '@/core/physics/saturation'
import type { Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'

export function combinedProblems({ inputs, ...response }: Response): Problem[] {
  return inputs.flatMap((input, index) => {
    if (!isMeasured(input) || !input.combines) return []
    const { of } = input.combines
    const path = `inputs.${index}.combines.of`
    const later = of.filter((id) => inputs.findIndex((other) => other.id === id) >= index)
    return [
      ...of.flatMap((id, place) => inputProblems({ ...response, inputs }, `${path}.${place}`, id, 'measured')),
      ...later.map((id): Problem => ({
        code: 'made_of_later',
        path,
        got: id,
        name: input.name,
      })),
    ]
  })
}

/** The top of a control signal, V. */
const SIGNAL_V = 10

/** A signal of 0 to 10 V, its range and every point on it; a pressure with the name of a refrigerant. */
export function signalProblems(response: Response): Problem[] {
  return response.inputs.flatMap((input, index): Problem[] => {
    if (!isMeasured(input)) return []
    const { refrigerant, lostBelow } = input
    const figures =
      input.kind === 'volts'
        ? ([
            ['from', input.from],
            ['to', input.to],
            ...(lostBelow === undefined ? [] : [['lostBelow', lostBelow] as const]),
          ] as const)
        : []
    return [
      ...figures.flatMap(([key, got]): Problem[] =>
        got < 0 || got > SIGNAL_V
          ? [{ code: 'outside_signal', path: `inputs.${index}.${key}`, name: input.name, got }]
          : [],
      ),
      ...(input.kind === 'volts'
        ? pointsOn(response, input.id).flatMap((got): Problem[] =>
            got < 0 || got > SIGNAL_V
              ? [{ code: 'outside_signal', path: `inputs.${index}`, name: input.name, got }]
              : [],
          )
        : []),
      ...(refrigerant !== undefined && input.kind !== 'pressure'
        ? [
            {
              code: 'wrong_kind' as const,
              path: `inputs.${index}.refrigerant`,
              what: `“${input.name}”`,
              got: input.kind,
              needs: 'pressure input',
            },
          ]
        : []),
      ...(refrigerant !== undefined && !(REFRIGERANTS as readonly string[]).includes(refrigerant)
        ? [
            {
              code: 'no_refrigerant' as const,
              path: `inputs.${index}.refrigerant`,
              got: refrigerant,
              known: REFRIGERANTS,
            },
          ]
        : []),
    ]
  })
}
