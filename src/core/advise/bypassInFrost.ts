import { evaluating, withResponse, type Judgement } from '@/core/advise/judgement'
import { atRest, rangeOf, settledAt, with_ } from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import { inputsOfRole } from '@/core/duty/role'
import { isUpward } from '@/core/machine/past'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'

const FROST_C = -5
/** Below this outside a bypass is barred; common practice, no source. */
const BARRED_C = 10

/** A bypass that is open in frost lets air in unwarmed: looked at with the room warm enough to open it and −5 °C outside. */
export const bypassInFrost = evaluating((where, { brief }) => {
  const { response } = where.machine
  const outdoor = inputsOfRole({ brief, response }, 'outdoor').filter(
    (input): input is MeasuredInput => isMeasured(input) && input.kind === 'temperature',
  )
  const [probe] = outdoor
  const rest = with_(atRest(where), outdoor, FROST_C)
  return (response.otherOutputs ?? []).flatMap((output, place): Judgement[] => {
    if (output.kind !== 'bypass') return []
    const isOn = output.onWhen.some((condition) => {
      if (condition.kind === 'switch') return false
      if (condition.kind !== 'input' || outdoor.some(({ id }) => id === condition.input)) return false
      const input = response.inputs.find(({ id }) => id === condition.input)
      if (!input || !isMeasured(input)) return false
      const [low, high] = rangeOf(response, input)
      const moment = { ...rest, [input.id]: isUpward(condition.when) ? high : low }
      return where.machine.otherOutputs[place]!.isOn(settledAt(where, moment).memory)
    })
    if (!isOn) return []
    return [
      {
        id: `bypass-in-frost-${output.id}`,
        severity: 'fails',
        path: `response.otherOutputs.${place}`,
        says: says('bypass-in-frost', {
          name: output.name,
          frostC: FROST_C,
          probe: probe?.name ?? null,
          barredC: BARRED_C,
        }),
        cure: probe
          ? {
              apply: (installation) =>
                withResponse(installation, {
                  otherOutputs: (installation.response.otherOutputs ?? []).map((held) =>
                    held.id === output.id
                      ? {
                          ...held,
                          notWhile: [
                            ...held.notWhile,
                            {
                              kind: 'input' as const,
                              input: probe.id,
                              when: 'at-or-below' as const,
                              at: BARRED_C,
                              release: 1,
                            },
                          ],
                        }
                      : held,
                  ),
                }),
            }
          : null,
      },
    ]
  })
})
