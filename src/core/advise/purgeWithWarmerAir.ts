import { withResponse, type Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { inputsOfRole } from '@/core/duty/role'
import { isMeasured } from '@/core/rules/input'

/** How much warmer it is outside in the case that is looked at. */
const WARMER_K = 3
/** How far past its opening point the room is: an offset of the probe does not hide it. */
const PAST_K = 1

/** A bypass that opens for free cooling while the air outside is warmer brings heat in. Looked at with the machine itself: just past its
 *  opening point indoors, and warmer outside. */
export const purgeWithWarmerAir: Judge = ({ brief, response }, { given }) => {
  const { machine } = given
  const outdoor = inputsOfRole({ brief, response }, 'outdoor').find(
    (input) => isMeasured(input) && input.kind === 'temperature',
  )
  if (!machine || !outdoor) return []
  return (response.otherOutputs ?? []).flatMap((output, index) => {
    if (output.kind !== 'bypass') return []
    const opens = output.onWhen.find((condition) => condition.kind === 'input' && condition.when === 'at-or-above')
    if (opens?.kind !== 'input' || opens.input === outdoor.id) return []
    const [roomC, outdoorC] = [opens.at + PAST_K, opens.at + WARMER_K]
    const state = machine.settledState(machine.inputsFrom({ [opens.input]: roomC, [outdoor.id]: outdoorC }))
    const held = machine.otherOutputs.find(({ output: { id } }) => id === output.id)
    if (!held?.isOn(state.memory)) return []
    return [
      {
        id: `purge-warmer-${output.id}`,
        severity: 'wears' as const,
        path: `response.otherOutputs.${index}`,
        says: says('purge-warmer', { name: output.name, roomC, outdoorC, opensAtC: opens.at }),
        cure: {
          apply: (installation) =>
            withResponse(installation, {
              otherOutputs: (installation.response.otherOutputs ?? []).map((other) =>
                other.id === output.id
                  ? {
                      ...other,
                      notWhile: [
                        ...other.notWhile,
                        {
                          kind: 'input' as const,
                          input: outdoor.id,
                          when: 'at-or-above' as const,
                          at: opens.at,
                          release: 1,
                        },
                      ],
                    }
                  : other,
              ),
            }),
        },
      },
    ]
  })
}
